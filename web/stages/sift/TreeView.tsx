import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { SiftQuery, TreeLevel } from '@opsimath/contract/api/sift';
import { Spin } from 'antd';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { count } from '../../parts/words/figures';
import { useTreeQuery } from '../../state/siftApi';
import { JudgeAll } from './JudgeAll';
import type { UsedRecipe } from './useRecipe';
import { t, wordOf } from '../../words/t';

const PAGE = 50;
const MOST = 200;
/** Pixels by which each level stands further to the right. */
const STEP = 18;
type Branch = TreeLevel['rows'][number];
interface OfRecipe {
  lookUp: LookUp;
  recipe: UsedRecipe;
}

/** From the general to the special: each keyword under the longest one contained in it. */
export function TreeView({ lookUp, recipe }: OfRecipe) {
  return (
    <section className="words-view" aria-label={t('sift:TreeView.tree')}>
      <p className="soft">{t('sift:TreeView.eachKeywordStandsUnderTheLongest')}</p>
      <table className="ledger tree">
        <thead>
          <tr>
            <th>{t('sift:TreeView.keyword')}</th>
            <th className="figure" title={t('sift:TreeView.searchesAMonthOfTheKeyword')}>
              {t('sift:TreeView.volume')}
            </th>
            <th className="figure" title={t('sift:TreeView.keywordsThatHoldItOnAll')}>
              {t('sift:TreeView.belowIt')}
            </th>
            <th className="figure" title={t('sift:TreeView.searchesAMonthOfTheKeyword2')}>
              {t('sift:TreeView.withAllBelow')}
            </th>
            <th className="figure" title={t('sift:TreeView.ofThoseWhatIsSearchedFor')}>
              {t('sift:TreeView.shareBelow')}
            </th>
            <th>{t('sift:TreeView.verdict')}</th>
            <th aria-label={t('sift:TreeView.judgeTheBranch')} />
          </tr>
        </thead>
        <tbody>
          <Level lookUp={lookUp} recipe={recipe} under={null} depth={0} />
        </tbody>
      </table>
    </section>
  );
}

function Level({ lookUp, recipe, under, depth }: OfRecipe & { under: number | null; depth: number }) {
  const { steps, rescued } = recipe;
  const [limit, setLimit] = useState(PAGE);
  const { data, error } = useTreeQuery({ lookUp: lookUp.id, query: { steps, rescued, under, limit } });
  if (error || !data)
    return (
      <tr>
        <td colSpan={7}>{error ? <Problem error={error} /> : <Spin size="small" />}</td>
      </tr>
    );
  return (
    <>
      {data.rows.map((row) => (
        <BranchRows key={row.id} lookUp={lookUp} recipe={recipe} row={row} depth={depth} />
      ))}
      {data.total > data.rows.length && (
        <tr>
          <td colSpan={7} style={{ paddingLeft: 8 + depth * STEP }}>
            {limit < MOST ? (
              <button className="plain written" onClick={() => setLimit(MOST)}>
                {t('sift:TreeView.showMoreOfTotal', { total: count(data.total) })}
              </button>
            ) : (
              <span className="soft">
                {t('sift:TreeView.andTotalLessSearchedASieve', {
                  total: count(data.total - data.rows.length),
                })}
              </span>
            )}
          </td>
        </tr>
      )}
    </>
  );
}

/** What narrows a recipe to a keyword and all that hold it, words in order. */
function branchOf({ steps, rescued }: UsedRecipe, text: string): Pick<SiftQuery, 'steps' | 'rescued'> {
  const sieve = { kind: 'words', mode: 'phrase', text, out: false } as const;
  return { steps: [...steps, { id: 'branch', on: true, sieve }], rescued };
}

function BranchRows({ lookUp, recipe, row, depth }: OfRecipe & { row: Branch; depth: number }) {
  const [open, setOpen] = useState(false);
  const below = row.branchVolume - (row.volume ?? 0);
  return (
    <>
      <tr>
        <td style={{ paddingLeft: 8 + depth * STEP }}>
          {row.children > 0 ? (
            <button className="plain" aria-expanded={open} onClick={() => setOpen(!open)}>
              <b>{row.text}</b> <span className="faint">{open ? '▾' : '▸'}</span>
            </button>
          ) : (
            <b>{row.text}</b>
          )}
        </td>
        <td className="figure">{row.volume === null ? t('sift:TreeView.unknown') : count(row.volume)}</td>
        <td className="figure">{row.branch > 0 ? count(row.branch) : '–'}</td>
        <td className="figure">{count(row.branchVolume)}</td>
        <td className="figure">
          {row.branch > 0 && row.branchVolume > 0 ? `${Math.round((100 * below) / row.branchVolume)} %` : '–'}
        </td>
        <td className={row.verdict === 'unjudged' ? 'faint' : ''}>{wordOf(row.verdict)}</td>
        <td>
          {row.branch > 0 && (
            <JudgeAll lookUp={lookUp} total={row.branch + 1} query={branchOf(recipe, row.text)} plain>
              {t('sift:TreeView.judgeAllBranch', { branch: count(row.branch + 1) })}
            </JudgeAll>
          )}
        </td>
      </tr>
      {open && <Level lookUp={lookUp} recipe={recipe} under={row.id} depth={depth + 1} />}
    </>
  );
}
