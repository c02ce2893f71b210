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
  if (!data) return <Waiting for="which target answers" />;
  const sought = find.trim().toLowerCase();
  const shown = data.keywords.filter(
    ({ keyword, address }) => keyword.text.includes(sought) || address.includes(sought),
  );
  return (
    <>
      <header className="stage-head">
        <div>
          <h1>
            <b>{count(data.without)}</b> keywords have no target of ours that answers them
          </h1>
          <p className="soft">
            Proposed: the target that stands best, else the one that holds most of the words and at least half
            of them, else a new one. The {count(data.keywords.length)} most searched are shown; keywords
            judged off are left out.
          </p>
        </div>
        <span className="stage-tools">
          <FindBox value={find} onFind={setFind} width={190} />
        </span>
      </header>
      <div className="answering" aria-busy={isFetching}>
        <table className="ledger" aria-label="Answering targets">
          <thead>
            <tr>
              <th>Keyword</th>
              <th className="figure" title="Searches a month expected over the coming three months">
                Demand
              </th>
              <th>Answered by</th>
              <th>Why</th>
              <th>What it says</th>
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
                    aria-label={`Target for ${keyword.text}`}
                    style={{ width: 260 }}
                    value={address}
                    options={[
                      ...(why === 'said by hand' ? [{ value: PROPOSED, label: 'as proposed' }] : []),
                      { value: '', label: 'a new one' },
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
                  {why}
                  {who !== '' && `, ${who}`}
                </td>
                <td className="soft">{excerpt}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <aside className="board-side" aria-label="What is not settled">
          <h2>Clashes</h2>
          {data.clashes.length === 0 && <p className="soft">For no keyword do two of ours stand.</p>}
          {data.clashes.slice(0, 12).map(({ keyword, count: ours, best }) => (
            <p key={keyword.id}>
              <button className="plain" onClick={() => change({ open: keyword.id })}>
                <b>{keyword.text}</b>
              </button>
              <span className="soft under">
                {ours} of ours stand; best {pathOf(best.address)} at {best.position}
              </span>
            </p>
          ))}
          <h2>Planned targets</h2>
          {data.planned.length === 0 && <p className="soft">None.</p>}
          {data.planned.slice(0, 15).map(({ task, draft, name, lead }) => (
            <p key={`${task} ${draft}`}>
              <button className="plain" onClick={() => openPlanned(task, draft)}>
                <b>{name}</b>
              </button>
              <span className="soft under">
                {lead === null ? 'no keyword yet' : `for ${lead.text}`}; without an address until it is
                published
              </span>
            </p>
          ))}
          <h2>Targets without a keyword</h2>
          {data.idle.length === 0 && <p className="soft">None.</p>}
          {data.idle.slice(0, 15).map(({ address, title }) => (
            <p key={address}>
              {title}
              <span className="soft under">{pathOf(address)}</span>
            </p>
          ))}
        </aside>
      </div>
    </>
  );
}
