import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { VariantPage } from '@opsimath/contract/api/variants';
import { Button } from 'antd';
import { useState } from 'react';
import { FindBox } from '../../parts/words/FindBox';
import { Waiting } from '../../parts/words/Waiting';
import { Problem } from '../../parts/words/Problem';
import { count, counted } from '../../parts/words/figures';
import { useTranslateMutation, useVariantsQuery } from '../../state/variantsApi';
import { useMarketsQuery } from '../../state/projectApi';
import { JoinVariants } from './JoinVariants';
import { useJudge } from '../../state/useJudge';
import type { UsedRecipe } from './useRecipe';
import { useVariantChoice } from './useVariantChoice';
import { VERDICT_KEYS } from '../../parts/act/verdictKeys';
import { t, wordOf } from '../../words/t';

const MOST = 100;
type Group = VariantPage['rows'][number];

/** The same thing spelled, turned, joined or said otherwise: under its main keyword, with its volume together. */
export function VariantsView({ lookUp, recipe }: { lookUp: LookUp; recipe: UsedRecipe }) {
  const [find, setFind] = useState('');
  const [open, setOpen] = useState<number | null>(null);
  const { steps, rescued } = recipe;
  const { data, error, isFetching } = useVariantsQuery({
    lookUp: lookUp.id,
    query: { steps, rescued, find, limit: MOST },
  });
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for={t('sift:VariantsView.theVariants')} />;
  return (
    <section className="words-view" aria-label={t('sift:VariantsView.variants')}>
      <p className="soft">
        {t('sift:VariantsView.groupsHoldGroupedOfKeywords', {
          groups: counted(data.groups, 'group'),
          grouped: count(data.grouped),
          keywords: counted(data.keywords, 'keyword'),
        })}
        {data.total > MOST && ` ${t('sift:VariantsView.theMOSTMostSearchedAreShown', { MOST })}`}
        {isFetching && ` ${t('sift:VariantsView.groupingAnew')}`}
      </p>
      <div className="words-head">
        <FindBox name={t('sift:VariantsView.findAVariant')} value={find} onFind={setFind} width={170} />
        <JoinVariants lookUp={lookUp} />
        <Translate lookUp={lookUp} untranslated={data.untranslated} />
      </div>
      {data.total === 0 && (
        <p className="soft">
          {find === ''
            ? t('sift:VariantsView.noTwoKeywordsAreVariantsOf')
            : t('sift:VariantsView.noGroupHoldsThis')}
        </p>
      )}
      {data.total > 0 && (
        <table className="ledger">
          <thead>
            <tr>
              <th>{t('sift:VariantsView.mainKeyword')}</th>
              <th className="figure">{t('sift:VariantsView.variants')}</th>
              <th className="figure" title={t('sift:VariantsView.searchesAMonthOfTheMain')}>
                {t('sift:VariantsView.alone')}
              </th>
              <th className="figure" title={t('sift:VariantsView.searchesAMonthOfAllIn')}>
                {t('sift:VariantsView.together')}
              </th>
              <th>{t('sift:VariantsView.mostSearchedVariants')}</th>
            </tr>
          </thead>
          {data.rows.map((group) => (
            <GroupRows
              key={group.members[0]!.id}
              group={group}
              opened={open === group.members[0]!.id}
              onOpen={() => setOpen(open === group.members[0]!.id ? null : group.members[0]!.id)}
            />
          ))}
        </table>
      )}
    </section>
  );
}

function GroupRows({ group, opened, onOpen }: { group: Group; opened: boolean; onOpen: () => void }) {
  const judge = useJudge();
  const choose = useVariantChoice();
  const [main, ...others] = group.members;
  const judgeAll = (pressed: string): void => {
    const { verdict, parked, word } = VERDICT_KEYS[pressed]!;
    const changes = group.members.map(({ id }) => ({ keyword: id, verdict, parked }));
    judge(
      changes,
      t('sift:VariantsView.changesOfTextWord', { changes: changes.length, text: main!.text, word }),
    );
  };
  return (
    <tbody>
      <tr>
        <td>
          <button className="plain" aria-expanded={opened} onClick={onOpen}>
            <b>{main!.text}</b> <span className="faint">{opened ? '▾' : '▸'}</span>
          </button>
        </td>
        <td className="figure">{count(group.keywords - 1)}</td>
        <td className="figure">
          {main!.volume === null ? t('sift:VariantsView.unknown') : count(main!.volume)}
        </td>
        <td className="figure">
          <b>{count(group.volume)}</b>
        </td>
        <td className="soft">
          {others
            .slice(0, 3)
            .map(({ text }) => text)
            .join(', ')}
          {others.length > 3 &&
            ` ${t('sift:VariantsView.andKeywordsMore', { keywords: count(group.keywords - 4) })}`}
        </td>
      </tr>
      {opened && (
        <tr>
          <td colSpan={5} className="cluster-members">
            <p>
              {t('sift:VariantsView.judgeAllMembers', { members: count(group.members.length) })}{' '}
              {['f', 'a', 'o', 'u'].map((pressed) => (
                <button key={pressed} className="plain written" onClick={() => judgeAll(pressed)}>
                  {VERDICT_KEYS[pressed]!.word}
                </button>
              ))}
            </p>
            <table className="variants">
              <tbody>
                {group.members.map((member) => (
                  <tr key={member.id}>
                    <td>
                      {member.text}
                      {member.translation !== null && (
                        <span className="faint">
                          {' “'}
                          {member.translation}”
                        </span>
                      )}
                    </td>
                    <td className="soft">
                      {member.link === 'main' ? t('sift:VariantsView.mainKeyword2') : wordOf(member.link)}
                    </td>
                    <td className="figure">
                      {member.volume === null ? t('sift:VariantsView.unknown') : count(member.volume)}
                    </td>
                    <td className="soft">
                      {member.best === null ? '' : t('sift:VariantsView.bestBest', { best: member.best })}
                      {member.verdict !== 'unjudged' && ` ${wordOf(member.verdict)}`}
                    </td>
                    <td>
                      {member.link !== 'main' && (
                        <>
                          <button
                            className="plain written"
                            aria-label={t('sift:VariantsView.setTextApart', { text: member.text })}
                            onClick={() =>
                              choose(
                                [{ keyword: member.id, under: member.id }],
                                t('sift:VariantsView.textApart', { text: member.text }),
                              )
                            }
                          >
                            {t('sift:VariantsView.setApart')}
                          </button>{' '}
                          <button
                            className="plain soft written"
                            title={t('sift:VariantsView.theRestOfTheGroupGoes')}
                            onClick={() =>
                              choose(
                                [
                                  { keyword: member.id, under: member.id },
                                  ...group.members
                                    .filter(({ id }) => id !== member.id)
                                    .map(({ id }) => ({ keyword: id, under: member.id })),
                                ],
                                t('sift:VariantsView.textMadeTheMainKeyword', { text: member.text }),
                              )
                            }
                          >
                            {t('sift:VariantsView.makeItTheMainOne')}
                          </button>
                        </>
                      )}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </td>
        </tr>
      )}
    </tbody>
  );
}

/** Fetches what those of other languages say in the market's own, so that they can stand with it. */
function Translate({ lookUp, untranslated }: { lookUp: LookUp; untranslated: VariantPage['untranslated'] }) {
  const [translate, { isLoading, error }] = useTranslateMutation();
  const { data: markets } = useMarketsQuery();
  const market = markets?.find(({ code }) => code === lookUp.market);
  if (untranslated.length === 0 || !market) return null;
  const into = market.language as 'en' | 'de' | 'es';
  return (
    <>
      <Button
        size="small"
        loading={isLoading}
        title={t('sift:VariantsView.whatIsTranslatedStandsUnderWhat')}
        onClick={() => void translate({ lookUp: lookUp.id, ask: { into, keywords: untranslated } })}
      >
        {t('sift:VariantsView.translateUntranslatedOfOther', {
          untranslated: count(untranslated.length),
          ceil: count(Math.ceil(untranslated.length / 100)),
          which: untranslated.length > 100 ? t('sift:VariantsView.units') : t('sift:VariantsView.unit'),
        })}
      </Button>
      {error && <Problem error={error} />}
    </>
  );
}
