import type { TargetsAdded, targetsAddition } from '@opsimath/contract/api/targets';
import type { SourceFullRecord } from '@opsimath/contract/source/answers';
import { type Address, readAddress } from '@opsimath/core/text/address';
import type { z } from 'zod';
import type { Database } from '../data/storage/connection';
import { type MarketRow, addressPlatforms, listMarkets, marketByCode } from '../data/markets';
import { keepPlaceRecords } from '../data/placeRecords';
import { projectById } from '../data/projects';
import { MOST_RIVALS, addTarget, listTargets, setPrivateFields } from '../data/targets';
import { KnownProblem } from '../problems/problem';
import type { SearchSource } from '../sources/searchSource';

const MOST_LINES = 500;

/** Adds targets as pasted: any kind on any line. A line that gives nothing new is given back with its reason. */
export async function addLines(
  { database, source }: { database: Database; source: SearchSource },
  projectId: number,
  { side, market: code, text }: z.output<typeof targetsAddition>,
): Promise<TargetsAdded> {
  await projectById(database, projectId);
  const market = await marketByCode(database, code);
  const lines = text.split(/\r\n|[\r\n]/);
  if (lines.length > MOST_LINES) {
    throw new KnownProblem(
      'too-many-lines',
      `${lines.length} lines at once; at most ${MOST_LINES} are taken.`,
      'Paste them in parts.',
    );
  }
  const date = await source.today();
  const platforms = await addressPlatforms(database);
  const markets = await listMarkets(database);
  const left: TargetsAdded['left'] = [];
  const added = new Set<number>();
  /** Rivals by surface: only those of one surface are ever compared together. */
  const rivals = new Map<string, number>();
  // Capitals alone make no second target: search knows one page under both.
  const known = new Set<string>();
  for (const { side: theirs, surface, address } of await listTargets(database, projectId)) {
    if (theirs === 'rival') rivals.set(surface, (rivals.get(surface) ?? 0) + 1);
    known.add(address.toLowerCase());
  }
  for (const [index, line] of lines.entries()) {
    if (line.trim() === '') continue;
    const leave = (reason: string): void =>
      void left.push({ line: index + 1, text: line.slice(0, 300), reason });
    const read = readAddress(line, platforms);
    if ('reason' in read) {
      leave(read.reason);
      continue;
    }
    if (side === 'rival' && (rivals.get(read.surface) ?? 0) >= MOST_RIVALS) {
      leave(`a project compares at most ${MOST_RIVALS} rivals on one surface`);
      continue;
    }
    if (known.has(read.address.toLowerCase())) {
      leave('is in the roster already');
      continue;
    }
    const found = await findRecord(source, marketsFor(read, market, markets), date, read);
    if (found === null) {
      leave('the services know nothing of it in this market');
      continue;
    }
    const { record } = found;
    const id = await addTarget(
      database,
      projectId,
      {
        side,
        kind: record?.kind ?? read.kind,
        address: read.address,
        name: nameOf(read, record),
        parent: record?.parent ?? null,
        market: found.market,
      },
      record,
      date,
    );
    if (id === null) {
      leave('is in the roster already');
      continue;
    }
    added.add(id);
    known.add(read.address.toLowerCase());
    if (side === 'rival') rivals.set(read.surface, (rivals.get(read.surface) ?? 0) + 1);
    if (record) await keepPlaceRecords(database, [record], date);
    if (side === 'own' && record)
      await takeOwnFields({ database, source }, projectId, found.market, record.address);
  }
  return { added: (await listTargets(database, projectId)).filter((entry) => added.has(entry.id)), left };
}

/** Markets of a target's surface, those of the same place and language first. */
function marketsFor(read: Address, market: MarketRow, markets: readonly MarketRow[]): MarketRow[] {
  const nearness = (entry: MarketRow): number =>
    (entry.id === market.id ? 4 : 0) +
    (entry.place === market.place ? 2 : 0) +
    (entry.language === market.language ? 1 : 0);
  return markets.filter(({ surface }) => surface === read.surface).sort((a, b) => nearness(b) - nearness(a));
}

/** The public record from the first market that knows it; a section needs none. `null` when nobody knows it. */
async function findRecord(
  source: SearchSource,
  markets: readonly MarketRow[],
  date: string,
  { address, kind }: Address,
): Promise<{ record: SourceFullRecord | null; market: string } | null> {
  for (const { code } of markets) {
    try {
      if (kind === 'section') {
        const ask = {
          market: code,
          date,
          target: address,
          kind: 'both' as const,
          depth: 100,
          leastVolume: 0,
        };
        await source.rankingsCount(ask);
        return { record: null, market: code };
      }
      return { record: await source.record({ market: code, date, target: address }), market: code };
    } catch (error) {
      if (!(error instanceof KnownProblem) || error.code !== 'no-such-target') throw error;
    }
  }
  return null;
}

function nameOf({ address }: Address, record: SourceFullRecord | null): string {
  if (!record) return address.replace(/\/\*$/, '');
  return record.parent === null ? record.owner : record.title;
}

/** Hidden search terms and channel keywords, where the account is connected. */
async function takeOwnFields(
  { database, source }: { database: Database; source: SearchSource },
  projectId: number,
  market: string,
  address: string,
): Promise<void> {
  try {
    const { fields } = await source.ownFields({ market, target: address });
    const entries = Object.entries(fields).map(([name, value]) => ({ address, name, value }));
    await setPrivateFields(database, projectId, entries);
  } catch (error) {
    // Not every own target is connected to the account; its fields can be typed or imported.
    if (!(error instanceof KnownProblem)) throw error;
  }
}
