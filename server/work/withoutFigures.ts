import { key } from '@opsimath/core/text/key';
import { keywordIdsOf } from '../data/keywords';
import { type LookUpRow, lookUpFinds } from '../data/lookUps';
import { findStatement } from '../data/lookUpSteps';
import { writeTogether } from '../data/storage/connection';
import type { MarketRow } from '../data/markets';
import { volumesAt } from '../data/volumes';
import type { JobContext } from './steps/context';
import { findListed, said } from './finders/listed';

/** Says of a list which of its lines have no figures, beside what was said of it when it was taken in. */
export async function nameWithoutFigures(
  context: JobContext,
  lookUp: LookUpRow,
  market: MarketRow,
): Promise<void> {
  const { database } = context;
  const list = (await lookUpFinds(database, lookUp.id)).find(({ way }) => way === 'list');
  if (!list || list.state !== 'done') return;
  const { keywords } = lookUp.request;
  const ids = await keywordIdsOf(database, market.id, keywords);
  const volumes = await volumesAt(database, market.id, lookUp.date);
  // Each once: that a line repeats another is said beside it.
  const without = keywords.filter(
    (text, n) => key(text) !== '' && !volumes.has(ids[n]!) && ids.indexOf(ids[n]!) === n,
  );
  const { message } = await findListed({ context, lookUp, market, seed: '' });
  const parts = [message, said(without, 'has no figures', 'have no figures')].filter(Boolean);
  const { way, seed, found } = list;
  await writeTogether(database, [
    findStatement(lookUp.id, { way, seed, state: 'done', found, message: parts.join('; ') || null }),
  ]);
}
