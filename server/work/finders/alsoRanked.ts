import { keywordIdsOf, keywordsById } from '../../data/keywords';
import { createLookUp, lookUpById, lookUpByName, lookUpTargets } from '../../data/lookUps';
import { retryFailedParts, setPoolSize, spendStatement } from '../../data/lookUpSteps';
import { poolKeywords } from '../../data/pools';
import { mergeSmallSegments } from '../../data/segments/merge';
import { findSegments, readColumns } from '../../data/segments/segments';
import { firstOrganic } from '../../data/captures';
import { KnownProblem } from '../../problems/problem';
import type { FinderTask, Finding } from '../findKeywords';
import { takeCaptures } from '../steps/takeCaptures';
import { walkTargets } from '../steps/walkTargets';

const FIRST = 10;

/**
 * Also ranked for (method §9): the first ten organic targets of the seed keyword's capture are looked up, as a look-up of
 * their own that can be opened; a keyword's count is how many of them rank for it.
 */
export async function findAlsoRanked(task: FinderTask): Promise<Finding> {
  const { context, lookUp, market, seed } = task;
  const { database } = context;
  const [seedId] = await keywordIdsOf(database, market.id, [seed]);
  // Noted with the capture itself: what was spent before a stop is not forgotten.
  await takeCaptures(context, market, lookUp.date, [seedId!], (spent) => spendStatement(lookUp.id, spent));
  const first = await firstOrganic(database, market.id, seedId!, lookUp.date, FIRST);
  if (first.length === 0) return { found: [], units: 0, message: 'its result page is empty' };
  const child = await childLookUp(task, first);
  await walkTargets(context, child, market);
  await mergeSmallSegments(database, {
    marketId: market.id,
    kind: 'rankings',
    date: lookUp.date,
    lookUpId: child.id,
  });
  await setPoolSize(database, child.id, (await poolKeywords(database, child.id)).length);
  const targets = await lookUpTargets(database, child.id);
  const looked = targets.filter(({ state }) => state === 'done');
  if (looked.length === 0)
    throw new KnownProblem('none-looked-up', `None of the first ${first.length} could be looked up.`);
  const appearances = new Map<number, number>();
  for (const { address, heldBy } of looked) {
    const filter = { marketId: market.id, kind: 'rankings' as const, lookUpId: heldBy, subject: address };
    const ranked = new Set<number>();
    for (const segment of await findSegments(database, filter)) {
      const { keyword, organic } = await readColumns(database, segment.id, ['keyword', 'organic']);
      keyword.forEach((id, row) => {
        if (organic[row]! > 0 && organic[row]! <= market.depth) ranked.add(id);
      });
    }
    for (const id of ranked) appearances.set(id, (appearances.get(id) ?? 0) + 1);
  }
  // All of them stand on the seed keyword's own front, whatever their look-ups name.
  appearances.set(seedId!, looked.length);
  const texts = await keywordsById(database, appearances.keys());
  const found = [...appearances]
    .sort(([a, m], [b, n]) => n - m || a - b)
    .map(([id, count]) => ({ text: texts.get(id)!.text, count }));
  return { found, units: 0, message: `of ${looked.length} looked up` };
}

/** The look-up of the first ten; the same one when the work goes on after a stop. */
async function childLookUp({ context, lookUp, market, seed }: FinderTask, targets: readonly string[]) {
  const { database, projectId } = context;
  const name = `first ${targets.length} for “${seed}”`;
  const known = await lookUpByName(database, projectId, market.id, lookUp.date, name);
  if (known !== null) await retryFailedParts(database, known);
  const id =
    known ??
    (await createLookUp(database, projectId, market.id, name, {
      ...lookUp.request,
      targets: [...targets],
      seeds: [],
      ways: [],
      words: [],
      keywords: [],
      want: 'organic',
      extent: 'positions',
      compareDate: null,
    }));
  return lookUpById(database, id);
}
