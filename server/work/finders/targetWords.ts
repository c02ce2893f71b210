import { candidatePhrases } from '@opsimath/core/text/phrases';
import { fetchRecords } from '../steps/fetchRecords';
import { KnownProblem } from '../../problems/problem';
import type { FinderTask, Finding } from '../findKeywords';

async function recordOf({ context, lookUp, market, seed }: FinderTask) {
  const { records } = await fetchRecords(context, market, lookUp.date, [seed]);
  if (!records[0])
    throw new KnownProblem('no-such-target', `The services know nothing of ${seed} in this market.`);
  return records[0];
}

const lines = (text: string | undefined) =>
  (text ?? '').split('\n').flatMap((line) => (line.trim() === '' ? [] : [{ text: line.trim(), count: 0 }]));

/** The tags of a video or listing. */
export async function findTags(task: FinderTask): Promise<Finding> {
  const found = lines((await recordOf(task)).fields.tags);
  return { found, units: 0, message: found.length === 0 ? 'it has no tags' : null };
}

/** Phrases of a target's title and headings; sources apart from what it ranks for. */
export async function findPhrases(task: FinderTask): Promise<Finding> {
  const { title, fields } = await recordOf(task);
  const text = [title, fields.headings ?? ''].join('\n');
  const found = candidatePhrases(text, task.market.language).map((phrase) => ({ text: phrase, count: 0 }));
  return { found, units: 0, message: null };
}

/** The keywords that a channel sets for itself. */
export async function findChannelKeywords(task: FinderTask): Promise<Finding> {
  const { fields } = await recordOf(task);
  const found = lines(fields.keywords ?? fields['channel keywords']);
  return { found, units: 0, message: found.length === 0 ? 'it sets no keywords' : null };
}
