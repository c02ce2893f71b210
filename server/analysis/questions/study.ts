import { isTagged } from '@opsimath/core/text/surfaces';
import type { ShownPage } from '@opsimath/contract/api/dossier';
import type { Study, StudiedResult } from '@opsimath/contract/api/study';
import type { Target } from '@opsimath/contract/api/targets';
import type { SourceFullRecord } from '@opsimath/contract/source/answers';
import { PACE_DAYS, pace, thingCounts, traitShares } from '@opsimath/core/gap/frontStudy';
import { quartilesOf } from '@opsimath/core/gap/resultFacts';
import { type SalesCurve, unitsAtRank } from '@opsimath/core/ranking/sales';
import { marketByCode } from '../../data/markets';
import { placeRecords } from '../../data/placeRecords';
import { projectById } from '../../data/projects';
import { resultReadings } from '../../data/resultReadings';
import { listTargets } from '../../data/targets';
import { salesCurves } from '../../data/salesCurves';
import { resultPage } from '../facts/history';
import { type Sides, gatherSides } from '../facts/sides';
import type { Workspace } from '../kept/workspace';

/** Characters of a description that are its opening line. */
const OPENING = 160;
type Slot = ShownPage['slots'][number];

/** How the front of a keyword shows itself; `null` where it was never captured (method §14). */
export async function study(
  workspace: Workspace,
  projectId: number,
  keywordId: number,
  { market: code, date }: { market: string; date: string },
): Promise<Study | null> {
  const { database } = workspace;
  const market = await marketByCode(database, code);
  const { settings } = await projectById(database, projectId);
  const sides = await gatherSides(database, projectId, market.surface);
  const page = await resultPage(workspace, market.id, keywordId, date, sides);
  if (page === null) return null;
  const organic = page.slots.filter(({ kind, address }) => kind === 'organic' && address !== null);
  const front = organic.filter(({ position }) => position! <= settings.front);
  const deeper = front.some(({ side }) => side === 'own')
    ? []
    : organic.filter(({ side }) => side === 'own').slice(0, 1);
  const shown = [...front, ...deeper];
  const fromRoster = shown.some(({ side }) => side === 'own') ? null : rosterSlot(sides);
  if (fromRoster) shown.push(fromRoster);
  const addresses = shown.map(({ address }) => address!);
  const records = await placeRecords(database, addresses, date);
  const readings = await resultReadings(database, projectId, addresses);
  const curves = (await salesCurves(database, market.id, date)) ?? new Map<string, SalesCurve>();
  const results = shown.map((slot): StudiedResult => {
    const address = slot.address!;
    const record = records.get(address)?.record ?? ownRecord(sides, address);
    const read = readings.get(address);
    const rank = slot.figures['sales rank'] ?? record?.figures['sales rank'] ?? null;
    return {
      position: slot.position,
      address,
      owner: slot.owner,
      side: slot.side,
      title: slot.title ?? '',
      opening: (slot.description ?? '').slice(0, OPENING),
      picture: record?.picture ?? null,
      recorded: record !== null,
      tags: record === null ? null : tagsOf(record),
      units: unitsAtRank(curves.get(record?.category ?? '') ?? [], rank),
      read: { opening: read?.opening ?? null, picture: read?.picture ?? null },
    };
  });
  const onFront = results.slice(0, front.length);
  const ours = results.find(({ side }) => side === 'own') ?? null;
  // Ours is not whom we have to overtake.
  const found = pace(onFront.map(({ side, units }) => (side === 'own' ? null : units)));
  return {
    date: page.date,
    surface: market.surface,
    results,
    recorded: onFront.filter(({ recorded }) => recorded).length,
    front: front.length,
    read: {
      opening: traitShares(
        settings.openingTraits,
        onFront.map(({ read }) => read.opening),
      ),
      picture: traitShares(
        settings.pictureTraits,
        onFront.map(({ read }) => read.picture),
      ),
    },
    tags: isTagged(market.surface) ? tagQuartiles(onFront, ours, settings.tagLimits[market.surface]) : [],
    things: thingCounts(
      onFront.map(({ title }) => title),
      thingsOf(
        (await listTargets(database, projectId)).filter(({ side }) => side === 'own'),
        ours?.address ?? null,
      ),
      ours?.title ?? null,
      market.language,
    ),
    pace: found && {
      aDay: found.aDay,
      inAll: found.inAll,
      position: onFront[found.weakest]!.position!,
      known: found.known,
      days: PACE_DAYS,
    },
  };
}

/** An own target whose public record is known, for comparison where none of ours is on the page. */
function rosterSlot({ own }: Sides): Slot | null {
  const target = own.find(
    ({ record, kind }) => record !== null && ['page', 'video', 'listing'].includes(kind),
  );
  if (!target) return null;
  return {
    slot: 0,
    kind: 'organic',
    position: null,
    side: 'own',
    letter: null,
    owner: target.name,
    what: target.kind,
    address: target.address,
    title: target.record!.title,
    description: target.record!.description,
    authority: null,
    phraseInTitle: null,
    age: null,
    figures: {},
  };
}

function ownRecord({ own }: Sides, address: string): SourceFullRecord | null {
  return own.find((target) => target.address === address)?.record ?? null;
}

function tagsOf({ fields }: SourceFullRecord): StudiedResult['tags'] {
  const tags = (fields.tags ?? '').split('\n').filter((tag) => tag.trim() !== '');
  return { count: tags.length, characters: tags.reduce((sum, tag) => sum + [...tag].length, 0) };
}

function tagQuartiles(
  front: readonly StudiedResult[],
  ours: StudiedResult | null,
  limit: { tags: number; characters: number },
): Study['tags'] {
  const counts = quartilesOf(
    'tags',
    front.map(({ tags }) => tags?.count),
    ours?.tags?.count ?? null,
  );
  const lengths = quartilesOf(
    'characters of all tags',
    front.map(({ tags }) => tags?.characters),
    ours?.tags?.characters ?? null,
  );
  if (counts === null || lengths === null) return [];
  return [
    { ...counts, limit: limit.tags },
    { ...lengths, limit: limit.characters },
  ];
}

/** Between things that are named together. */
const BETWEEN = /[,;\n/]|\s(?:and|or|und|oder|y|o|e|&)\s/i;

/** Types and materials of the fact card of the target shown, else of every own one of whatever surface. */
function thingsOf(own: readonly Target[], address: string | null): string[] {
  const named = ({ facts }: Target): string[] =>
    [facts.type, facts.materials]
      .flatMap((said) => (said ?? '').split(BETWEEN))
      .filter((said) => said.trim() !== '');
  const shown = own.filter((target) => target.address === address).flatMap(named);
  return shown.length > 0 ? shown : own.flatMap(named);
}
