import type { SiftQueryRead, SiftRow } from '@opsimath/contract/api/sift';
import { type Purpose, type PurposeSigns, purposeReader } from '@opsimath/core/sift/purpose';
import { key } from '@opsimath/core/text/key';
import { LANGUAGES } from '@opsimath/core/text/languages';
import { markersOf } from '../../data/markers';
import { heldTranslations } from '../../data/translations';
import { judgementsOf } from '../../data/verdicts';
import { poolFigures } from '../pool/poolFigures';
import { poolRows } from '../pool/poolRows';
import { saidPurposes } from '../../data/saidPurposes';
import { poolContaining, poolLanguages, purposeMaterial } from '../pool/poolWords';
import { figuresOf } from './sieves';
import type { NamedPool } from '../pool/pool';
import type { Workspace } from '../kept/workspace';

type Asked = Pick<SiftQueryRead, 'rescued' | 'languages' | 'contained' | 'into' | 'figures'>;

/** Rows of pool indices with what was judged, marked and said of them. */
export async function siftRows(
  workspace: Workspace,
  named: NamedPool,
  indices: readonly number[],
  { rescued, languages, contained, into, figures }: Asked,
): Promise<SiftRow[]> {
  const { database } = workspace;
  const { pool } = named;
  const rows = await poolRows(workspace, named, indices);
  const ids = rows.map(({ id }) => id);
  const judgements = await judgementsOf(database, pool.projectId, ids);
  const markers = await markersOf(database, pool.projectId, ids);
  const translations = into === null ? null : await heldTranslations(database, ids, into);
  const spoken = languages || into !== null ? await poolLanguages(workspace, named) : null;
  const holding = contained ? await poolContaining(workspace, named) : null;
  const { words, names, signs, dearFrom } = await purposeMaterial(workspace, named);
  const readPurpose = purposeReader(words, names);
  const said = await saidPurposes(database, pool.projectId, pool.market.id);
  const cpc = poolFigures(pool, 'cpc');
  const isRescued = new Set(rescued);
  const columns = await Promise.all(
    figures.map(async (name) => [name, await figuresOf(workspace, named, name)] as const),
  );
  return rows.map((row, n) => {
    const i = indices[n]!;
    const { verdict, parked, reason, person, decidedAt } = judgements[n]!;
    const code = spoken === null ? undefined : LANGUAGES[spoken.codes[i]! - 1];
    const signsOfIt: PurposeSigns = {
      paidSlots: known(signs.paidSlots[i]!),
      dearClick: Number.isNaN(cpc[i]!) ? null : cpc[i]! >= dearFrom,
      itemShare: known(signs.itemShare[i]!),
    };
    return {
      ...row,
      verdict,
      parked,
      reason,
      person,
      decidedAt,
      rescued: isRescued.has(row.id),
      language: code === undefined ? null : { code, confidence: spoken!.confidence[i]! / 100 },
      translation: translations?.get(row.id) ?? null,
      contained: holding && { keywords: holding.counts[i]!, volume: holding.volumes[i]! },
      markers: markers.get(row.id) ?? [],
      figures: Object.fromEntries(columns.map(([name, column]) => [name, known(column[i]!)])),
      purpose: purposeOf(said.get(row.id), () => readPurpose(key(row.text), signsOfIt)),
    };
  });
}

/** What somebody said goes before what the rules read. */
function purposeOf(
  said: { purpose: Purpose; person: string; day: string } | undefined,
  read: () => { purpose: Purpose; evidence: string },
): SiftRow['purpose'] {
  if (said === undefined) return { ...read(), byHand: false };
  const by = [said.person, said.day].filter(Boolean).join(', ');
  return { purpose: said.purpose, evidence: `said by hand (${by})`, byHand: true };
}

const known = (value: number): number | null => (Number.isNaN(value) ? null : value);
