import type { GapRow } from '@opsimath/contract/api/gaps';
import { OPEN_KINDS } from '@opsimath/core/report/openKinds';
import { shown } from '@opsimath/core/shown';
import { type ReportGround, type WriteSection, gapsInOrder, laneOf, mayBeDone, nothingToSay } from './ground';

const MANY = 3;
/** How many of the best are looked through for examples that differ. */
const LOOKED = 60;

/** A few keywords that tell the whole: lane, figures, reason, remedy. Chosen by hand, else the best of different actions. */
export const examples: WriteSection = async (ground, { settings, id }) => {
  const { sums, comparison } = ground;
  const { currency } = comparison.project.settings;
  const chosen = settings.keywords ?? [];
  const found =
    chosen.length > 0
      ? await byHand(ground, chosen)
      : differing(
          (await gapsInOrder(ground, { kinds: [...OPEN_KINDS] }, LOOKED, (i, held) => mayBeDone(held, i)))
            .rows,
        );
  if (found.length === 0) return nothingToSay('No keyword is known well enough yet to show as an example.');
  return {
    short: [],
    blocks: found.map((row, n) => ({
      kind: 'example' as const,
      id: `example-${id}-${n + 1}`,
      keyword: row.text,
      lane: laneOf(row),
      facts: [
        { name: 'Searches a month', value: shown('count', row.demand) },
        { name: 'Our position', value: shown('position', row.own) },
        { name: 'Best rival', value: bestRival(row) },
        { name: 'Chance as it is', value: shown('share', row.asIs, 0) },
        { name: 'Chance after', value: shown('share', row.chance, 0) },
        { name: 'Clicks added a month', value: shown('decimal', row.gain, 1) },
        { name: `Adds a month, ${currency}`, value: shown('money', row.worthAMonth), sums: sums.ofGap(row) },
      ],
      reason: row.reason,
      remedy: `${row.action[0]!.toUpperCase()}${row.action.slice(1)}${row.ownAddress === null ? '' : `: ${row.ownAddress}`}, about ${shown('decimal', row.effort, 2)} days of work.`,
    })),
  };
};

async function byHand(ground: ReportGround, chosen: readonly number[]): Promise<GapRow[]> {
  const { rows } = await gapsInOrder(ground, { chosen: [...chosen] }, chosen.length);
  const place = new Map(chosen.map((keyword, n) => [keyword, n]));
  return rows.sort((a, b) => place.get(a.id)! - place.get(b.id)!);
}

/** The best of each action first, then the best of other targets, then the best that are left. */
function differing(rows: readonly GapRow[]): GapRow[] {
  const worth = rows.filter((row) => row.priority !== null && row.priority > 0);
  const chosen = new Set<GapRow>();
  const take = (nameOf: (row: GapRow) => string): void => {
    const seen = new Set([...chosen].map(nameOf));
    for (const row of worth) {
      if (chosen.size === MANY) return;
      if (chosen.has(row) || seen.has(nameOf(row))) continue;
      seen.add(nameOf(row));
      chosen.add(row);
    }
  };
  take(({ action }) => action);
  take(({ ownAddress, action }) => ownAddress ?? action);
  take(({ text }) => text);
  return [...chosen];
}

function bestRival({ rivals }: GapRow): string {
  const ranked = rivals.filter((one): one is number => typeof one === 'number');
  return ranked.length > 0
    ? String(Math.min(...ranked))
    : rivals.some((one) => one === 'absent')
      ? 'absent'
      : 'unknown';
}
