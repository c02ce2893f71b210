import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { SiftQuery, TreeLevel } from '@opsimath/contract/api/sift';
import { Spin } from 'antd';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { count } from '../../parts/words/figures';
import { useTreeQuery } from '../../state/siftApi';
import { JudgeAll } from './JudgeAll';
import type { UsedRecipe } from './useRecipe';

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
    <section className="words-view" aria-label="Tree">
      <p className="soft">
        Each keyword stands under the longest other one contained in it, words in order: go down to find what
        is more special than the topic. Sorted by the searches of the whole branch.
      </p>
      <table className="ledger tree">
        <thead>
          <tr>
            <th>Keyword</th>
            <th className="figure" title="Searches a month of the keyword itself">
              Volume
            </th>
            <th className="figure" title="Keywords that hold it, on all levels below">
              Below it
            </th>
            <th className="figure" title="Searches a month of the keyword and all below it">
              With all below
            </th>
            <th className="figure" title="Of those, what is searched for below the keyword itself">
              Share below
            </th>
            <th>Verdict</th>
            <th aria-label="Judge the branch" />
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
                show more of {count(data.total)}
              </button>
            ) : (
              <span className="soft">
                and {count(data.total - data.rows.length)} less searched; a sieve reaches them
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
        <td className="figure">{row.volume === null ? 'unknown' : count(row.volume)}</td>
        <td className="figure">{row.branch > 0 ? count(row.branch) : '–'}</td>
        <td className="figure">{count(row.branchVolume)}</td>
        <td className="figure">
          {row.branch > 0 && row.branchVolume > 0 ? `${Math.round((100 * below) / row.branchVolume)} %` : '–'}
        </td>
        <td className={row.verdict === 'unjudged' ? 'faint' : ''}>{row.verdict}</td>
        <td>
          {row.branch > 0 && (
            <JudgeAll lookUp={lookUp} total={row.branch + 1} query={branchOf(recipe, row.text)} plain>
              judge all {count(row.branch + 1)}
            </JudgeAll>
          )}
        </td>
      </tr>
      {open && <Level lookUp={lookUp} recipe={recipe} under={row.id} depth={depth + 1} />}
    </>
  );
}
