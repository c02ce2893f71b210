import { lookUpRequest } from '@opsimath/contract/api/lookUps';
import type { AuditPrice, auditRequest } from '@opsimath/contract/api/reports';
import type { SourceFullRecord } from '@opsimath/contract/source/answers';
import { type Address, readAddress } from '@opsimath/core/text/address';
import type { z } from 'zod';
import { addAudit } from '../data/audits';
import { createJob } from '../data/jobs';
import { createLookUp, setLookUpJob } from '../data/lookUps';
import { type MarketRow, addressPlatforms, marketByCode } from '../data/markets';
import { keepPlaceRecords } from '../data/placeRecords';
import { createProject } from '../data/projects';
import { addReport } from '../data/reports';
import type { Database } from '../data/storage/connection';
import { addTarget } from '../data/targets';
import { KnownProblem } from '../problems/problem';
import { newReport } from '../reports/newReport';
import type { SearchSource } from '../sources/searchSource';
import { mostUnits } from './limits';

interface Ground {
  database: Database;
  source: SearchSource;
}
type Request = z.output<typeof auditRequest>;

interface Found {
  market: MarketRow;
  read: Address;
  record: SourceFullRecord;
}

/** What is to be looked at; throws where the address is none, or nothing is known of it. */
async function findTarget(
  { database, source }: Ground,
  { address, market: code, date }: Request,
): Promise<Found> {
  const market = await marketByCode(database, code);
  const read = readAddress(address, await addressPlatforms(database));
  if ('reason' in read)
    throw new KnownProblem(
      'no-address',
      `This is no address: ${read.reason}.`,
      'Paste the address of a site, channel, shop, page, video or listing.',
    );
  if (read.surface !== market.surface)
    throw new KnownProblem(
      'another-market',
      `This address is one of ${read.surface} search; the market chosen is ${market.surface}.`,
      'Choose a market of its surface.',
    );
  if (read.kind === 'section')
    throw new KnownProblem(
      'no-address',
      'An audit looks at a whole site or at one page of it.',
      'Leave out the star.',
    );
  return { market, read, record: await source.record({ market: code, date, target: read.address }) };
}

/** What an audit would look at, and what it costs at most; nothing is begun. */
export async function priceAudit(ground: Ground, request: Request): Promise<AuditPrice> {
  const { read, record } = await findTarget(ground, request);
  const rows = await ground.source.rankingsCount({
    ...{ market: request.market, date: request.date, target: read.address },
    ...{ kind: 'both', depth: 100, leastVolume: 0 },
  });
  const { allowance, spent } = await ground.source.allowance();
  return {
    address: read.address,
    name: nameOf(record),
    kind: record.kind,
    units: mostUnits(rows),
    left: allowance - spent,
  };
}

const nameOf = (record: SourceFullRecord): string => (record.parent === null ? record.owner : record.title);

/**
 * Begins an audit of somebody’s target. It gets a room of its own, a project that no list of projects shows, in which the
 * target counts as ours: so every figure is worked out as for an own one, and nothing of it touches a project of ours.
 */
export async function beginAudit(
  ground: Ground,
  request: Request,
): Promise<{ project: number; job: number }> {
  const { database } = ground;
  const { market, read, record } = await findTarget(ground, request);
  const name = nameOf(record);
  return database.together(async (steps) => {
    const project = (await createProject(steps, `Audit of ${name}`.slice(0, 120))).id;
    const target = {
      kind: record.kind,
      address: read.address,
      name,
      parent: record.parent,
      market: market.code,
    };
    await addTarget(steps, project, { side: 'own', ...target }, record, request.date);
    await keepPlaceRecords(steps, [record], request.date);
    const order = lookUpRequest.parse({
      ...{ market: market.code, date: request.date, targets: [read.address] },
      extent: 'metrics',
    });
    const lookUp = await createLookUp(steps, project, market.id, name, order);
    const report = await addReport(
      steps,
      project,
      'audit',
      newReport('audit', `What ${name} leaves on the table`),
    );
    const job = await createJob(steps, project, 'audit', { lookUpId: lookUp, address: read.address });
    await setLookUpJob(steps, lookUp, job);
    await addAudit(steps, {
      ...{ projectId: project, reportId: report, marketId: market.id },
      ...{ address: read.address, date: request.date, jobId: job },
    });
    return { project, job };
  });
}
