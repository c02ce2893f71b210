import type { AnsweringView } from '@opsimath/contract/api/rounds';
import { Select } from 'antd';
import { useMemo, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { FindBox } from '../../parts/words/FindBox';
import { Waiting } from '../../parts/words/Waiting';
import { Problem } from '../../parts/words/Problem';
import { count } from '../../parts/words/figures';
import { useAnswerByMutation, useAnsweringQuery } from '../../state/roundsApi';
import { useAppSelector } from '../../state/store';
import { writeScope } from '../../state/scope';
import { useScope } from '../../state/useScope';
import { pathOf } from './roundWords';
import { useWorkScope } from './useWorkScope';
import { Told } from '../../words/Told';
import { t, wordOf } from '../../words/t';

const PROPOSED = 'proposed';

/** Which target of ours answers which keyword; keywords without one, targets without a keyword, clashes. */
export function AnsweringTable() {
  const { project, change } = useScope();
  const scope = useWorkScope();
  const person = useAppSelector((state) => state.preferences.person);
  const { data, error, isFetching } = useAnsweringQuery({ project, scope });
  const [answer] = useAnswerByMutation();
  const navigate = useNavigate();
  const { search } = useLocation();
  const [find, setFind] = useState('');
  const addresses = useMemo(
    () =>
      [
        ...new Set([
          ...(data?.keywords.map(({ address }) => address) ?? []),
          ...(data?.idle.map(({ address }) => address) ?? []),
        ]),
      ]
        .filter(Boolean)
        .sort(),
    [data],
  );
  const openPlanned = (task: number | null, draft: number | null): void =>
    draft === null
      ? change({ task, view: '' })
      : void navigate(
          `/p/${project}/drafts?${writeScope(new URLSearchParams(search), { view: '', draft }).toString()}`,
        );
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for={t('rounds:AnsweringTable.whichTargetAnswers')} />;
  const sought = find.trim().toLowerCase();
  const shown = data.keywords.filter(
    ({ keyword, address }) => keyword.text.includes(sought) || address.includes(sought),
  );
  return (
    <>
      <header className="stage-head">
        <div>
          <h1>
            <Told
              id="rounds:AnsweringTable.withoutKeywordsHaveNoTargetOf"
              values={{ without: count(data.without) }}
              parts={{ b: <b /> }}
            />
          </h1>
          <p className="soft">
            {t('rounds:AnsweringTable.proposedTheTargetThatStandsBest', {
              keywords: count(data.keywords.length),
            })}
          </p>
        </div>
        <span className="stage-tools">
          <FindBox value={find} onFind={setFind} width={190} />
        </span>
      </header>
      <div className="answering" aria-busy={isFetching}>
        <table className="ledger" aria-label={t('rounds:AnsweringTable.answeringTargets')}>
          <thead>
            <tr>
              <th>{t('rounds:AnsweringTable.keyword')}</th>
              <th className="figure" title={t('rounds:AnsweringTable.searchesAMonthExpectedOverThe')}>
                {t('rounds:AnsweringTable.demand')}
              </th>
              <th>{t('rounds:AnsweringTable.answeredBy')}</th>
              <th>{t('rounds:AnsweringTable.why')}</th>
              <th>{t('rounds:AnsweringTable.whatItSays')}</th>
            </tr>
          </thead>
          <tbody>
            {shown.map(({ keyword, demand, address, why, excerpt, person: who }) => (
              <tr key={keyword.id}>
                <td>
                  <button className="plain" onClick={() => change({ open: keyword.id })}>
                    {keyword.text}
                  </button>
                </td>
                <td className="figure">{count(Math.round(demand ?? 0))}</td>
                <td>
                  <Select
                    size="small"
                    variant="borderless"
                    showSearch
                    aria-label={t('rounds:AnsweringTable.targetForText', { text: keyword.text })}
                    style={{ width: 260 }}
                    value={address}
                    options={[
                      ...(why === 'said by hand'
                        ? [{ value: PROPOSED, label: t('rounds:AnsweringTable.asProposed') }]
                        : []),
                      { value: '', label: t('rounds:AnsweringTable.aNewOne') },
                      ...addresses.map((one) => ({ value: one, label: pathOf(one) })),
                    ]}
                    onChange={(chosen: string) =>
                      void answer({
                        project,
                        keyword: keyword.id,
                        address: chosen === PROPOSED ? null : chosen,
                        person,
                      })
                    }
                  />
                </td>
                <td className="soft">
                  {wordOf(why)}
                  {who !== '' && `, ${who}`}
                </td>
                <td className="soft">{excerpt}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <Unsettled data={data} onOpenPlanned={openPlanned} />
      </div>
    </>
  );
}

interface UnsettledProps {
  data: AnsweringView;
  onOpenPlanned: (task: number | null, draft: number | null) => void;
}

/** Keywords of two targets, targets that are only planned, targets without a keyword. */
function Unsettled({ data, onOpenPlanned }: UnsettledProps) {
  const { change } = useScope();
  return (
    <aside className="board-side" aria-label={t('rounds:AnsweringTable.whatIsNotSettled')}>
      <h2>{t('rounds:AnsweringTable.clashes')}</h2>
      {data.clashes.length === 0 && <p className="soft">{t('rounds:AnsweringTable.forNoKeywordDoTwoOf')}</p>}
      {data.clashes.slice(0, 12).map(({ keyword, count: ours, best }) => (
        <p key={keyword.id}>
          <button className="plain" onClick={() => change({ open: keyword.id })}>
            <b>{keyword.text}</b>
          </button>
          <span className="soft under">
            {t('rounds:AnsweringTable.oursOfOursStandBestPath', {
              ours,
              path: pathOf(best.address),
              position: best.position,
            })}
          </span>
        </p>
      ))}
      <h2>{t('rounds:AnsweringTable.plannedTargets')}</h2>
      {data.planned.length === 0 && <p className="soft">{t('rounds:AnsweringTable.none')}</p>}
      {data.planned.slice(0, 15).map(({ task, draft, name, lead }) => (
        <p key={`${task} ${draft}`}>
          <button className="plain" onClick={() => onOpenPlanned(task, draft)}>
            <b>{name}</b>
          </button>
          <span className="soft under">
            {t('rounds:AnsweringTable.whichWithoutAnAddressUntilIt', {
              which:
                lead === null
                  ? t('rounds:AnsweringTable.noKeywordYet')
                  : t('rounds:AnsweringTable.forText', { text: lead.text }),
            })}
          </span>
        </p>
      ))}
      <h2>{t('rounds:AnsweringTable.targetsWithoutAKeyword')}</h2>
      {data.idle.length === 0 && <p className="soft">{t('rounds:AnsweringTable.none')}</p>}
      {data.idle.slice(0, 15).map(({ address, title }) => (
        <p key={address}>
          {title}
          <span className="soft under">{pathOf(address)}</span>
        </p>
      ))}
    </aside>
  );
}
