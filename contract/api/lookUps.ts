import { z } from 'zod';
import { isoDay } from '../source/answers';
import { job } from './jobs';

export const extent = z.enum(['positions', 'metrics', 'captures']);

export const lookUpRequest = z.object({
  market: z.string(),
  date: isoDay,
  /** Addresses of targets; repeats count once. */
  targets: z.array(z.string().trim().min(1)).min(1).max(200),
  want: z.enum(['organic', 'paid', 'both']).default('both'),
  /** Positions only, with metrics, or with metrics and captures. */
  extent: extent.default('captures'),
  /** Captures are taken of this many keywords, most searched first. */
  captureMost: z.int().min(1).max(100_000).default(2000),
  /** A second date to capture, for the comparison over time. */
  compareDate: isoDay.nullable().default(null),
});
export type LookUpRequest = z.infer<typeof lookUpRequest>;

export const lookUpPrice = z.object({
  /** Estimated: keywords are counted by the service, overlaps between targets are not known before. */
  units: z.number(),
  parts: z.array(z.object({ what: z.string(), units: z.number(), held: z.boolean() })),
  allowance: z.number(),
  spent: z.number(),
  renews: isoDay,
});
export type LookUpPrice = z.infer<typeof lookUpPrice>;

export const lookUp = z.object({
  id: z.int(),
  market: z.string(),
  name: z.string(),
  date: isoDay,
  request: lookUpRequest,
  keywords: z.int(),
  units: z.number(),
  createdAt: z.string(),
  job: job.nullable(),
  targets: z.array(
    z.object({
      address: z.string(),
      state: z.enum(['waiting', 'walking', 'done', 'failed']),
      rows: z.int(),
      heldBy: z.int(),
      message: z.string().nullable(),
    }),
  ),
});
export type LookUp = z.infer<typeof lookUp>;

export const poolSort = z.enum(['keyword', 'volume', 'targets', 'best', 'paid', 'cpc', 'adCompetition']);
export const poolQuery = z.object({
  find: z.string().max(300).default(''),
  sort: poolSort.default('volume'),
  descending: z.stringbool().default(true),
  offset: z.coerce.number().int().min(0).default(0),
  limit: z.coerce.number().int().min(1).max(500).default(100),
});
export type PoolQuery = z.input<typeof poolQuery>;

export const poolPage = z.object({
  total: z.int(),
  rows: z.array(
    z.object({
      id: z.int(),
      text: z.string(),
      volume: z.number().nullable(),
      cpcLow: z.number().nullable(),
      cpcHigh: z.number().nullable(),
      adCompetition: z.number().nullable(),
      /** In the order of `targets`; `null` where it was not found by this look-up. */
      organic: z.array(z.int().nullable()),
      paid: z.array(z.int().nullable()),
    }),
  ),
  targets: z.array(z.string()),
});
export type PoolPage = z.infer<typeof poolPage>;
