import { key } from '@opsimath/core/text/key';
import { candidatePhrases } from '@opsimath/core/text/phrases';
import { firstOrganic } from '../../data/captures';
import { keywordIdsOf } from '../../data/keywords';
import { spendStatement } from '../../data/lookUpSteps';
import { projectById } from '../../data/projects';
import { fetchRecords } from '../steps/fetchRecords';
import type { FinderTask, Finding } from '../findKeywords';
import { takeCaptures } from '../steps/takeCaptures';

/** Tags and title phrases of every target of the front, each with the number of targets that use it. */
export async function findWordsOfFront({ context, lookUp, market, seed }: FinderTask): Promise<Finding> {
  const { database } = context;
  const { settings } = await projectById(database, context.projectId);
  const [seedId] = await keywordIdsOf(database, market.id, [seed]);
  // Noted with the capture itself: what was spent before a stop is not forgotten.
  await takeCaptures(context, market, lookUp.date, [seedId!], (spent) => spendStatement(lookUp.id, spent));
  const front = await firstOrganic(database, market.id, seedId!, lookUp.date, settings.front);
  const { records, missing } = await fetchRecords(context, market, lookUp.date, front);
  const uses = new Map<string, { text: string; count: number }>();
  for (const record of records) {
    const tags = (record.fields.tags ?? '').split('\n').filter((tag) => key(tag) !== '');
    const phrases = candidatePhrases(record.title, market.language);
    const used = new Map([...phrases, ...tags].map((text) => [key(text), text] as const));
    for (const [identity, text] of used) {
      const entry = uses.get(identity) ?? { text, count: 0 };
      entry.count++;
      uses.set(identity, entry);
    }
  }
  const found = [...uses.values()].sort((a, b) => b.count - a.count || (a.text < b.text ? -1 : 1));
  const message = `of ${records.length} targets${missing.length > 0 ? `; nothing came of ${missing.join(', ')}` : ''}`;
  return { found, units: 0, message };
}
