import type { GROUND_SCOPES } from '@opsimath/contract/api/grounds';
import { type Ground } from '@opsimath/contract/api/grounds';
import type { Database } from './storage/connection';

/** Whose grounds are asked for; what is left out counts as never changed. */
export interface GroundsOf {
  project?: number;
  market?: number;
  lookUp?: number;
}

/** How often each ground was changed, as it was read at one moment. */
export class Revisions {
  constructor(
    readonly of: GroundsOf,
    private readonly counts: ReadonlyMap<string, number>,
  ) {}

  /** Another name after every change of any of these grounds. */
  name(grounds: Iterable<Ground>): string {
    return Array.from(grounds, (ground) => this.counts.get(ground) ?? 0).join('.');
  }

  /** Facts of the markets of the same place and language on other surfaces: what borrows from them rests on these. */
  get lenders(): number {
    return this.counts.get('lenders') ?? 0;
  }

  /** Counts up with every change of anything at all. */
  get total(): number {
    return this.counts.get('total') ?? 0;
  }
}

/** Reads where all grounds of a project, a market and a look-up stand. */
export async function readRevisions(database: Database, of: GroundsOf): Promise<Revisions> {
  const scopes: Record<(typeof GROUND_SCOPES)[Ground], string> = {
    project: `p${of.project ?? 0}`,
    market: `m${of.market ?? 0}`,
    'look-up': `l${of.lookUp ?? 0}`,
    all: '',
  };
  const answer = await database.client.execute({
    sql: `SELECT ground, revision FROM ground_revision WHERE scope IN (SELECT value FROM json_each(?))
          UNION ALL SELECT 'lenders', sum(revision) FROM ground_revision WHERE ground IN ('facts', 'keywords', 'new keywords') AND scope IN
            (SELECT 'm' || other.id FROM market AS own JOIN market AS other
               ON other.place = own.place AND other.language = own.language AND other.id <> own.id WHERE own.id = ?)
          UNION ALL SELECT 'total', sum(revision) FROM ground_revision`,
    args: [JSON.stringify(Object.values(scopes)), of.market ?? 0],
  });
  return new Revisions(
    of,
    new Map(answer.rows.map((row) => [String(row.ground), Number(row.revision ?? 0)])),
  );
}
