import { DAY_MS } from '@opsimath/core/day';
import { FOUND_BY } from '@opsimath/contract/api/foundBy';
import { isoDay } from '@opsimath/contract/source/answers';
import { z } from 'zod';
import { FEATURE_CODES } from '../segments/captureColumns';
import { type Column, type Columns, type ColumnType, emptyColumn } from '../segments/columns';
import { SERIES_MONTHS, TREND_WORDS } from '../segments/metricsColumns';
import { damaged } from './archiveLine';

const FIRST_DAY = Date.parse('2000-01-01') / DAY_MS;
const LAST_DAY = Date.parse('2100-12-31') / DAY_MS;
const MOST_ENTRIES = 60_000_000;

export const segmentLine = z.strictObject({
  segment: z.object({
    id: z.int(),
    marketId: z.int(),
    kind: z.enum(['rankings', 'metrics', 'captures', 'performance', 'finds', 'ad terms']),
    source: z.string().max(1000),
    date: isoDay,
    projectId: z.int().nullable(),
    lookUpId: z.int().nullable(),
    importId: z.int().nullable(),
    subject: z.string().max(3000).nullable(),
    rows: z.int().nonnegative(),
  }),
  columns: z.record(
    z.string().regex(/^[a-zA-Z0-9 ]{1,40}$/),
    z.strictObject({ type: z.enum(['u8', 'i32', 'f32', 'f64']), data: z.string() }),
  ),
});
export type SegmentLine = z.infer<typeof segmentLine>;

/** How long a column is, and what its entries may be. */
interface ColumnRule {
  type: ColumnType;
  /** Entries for each row; of captures some count by slots. */
  per: number | 'slot';
  /** Without it the segment makes no sense. */
  needed?: true;
  least?: number;
  most?: number;
}

const id = (per: ColumnRule['per'] = 1): ColumnRule => ({ type: 'i32', per, least: 0, needed: true });
const figure: ColumnRule = { type: 'f64', per: 1 };
const byte = (most = 255, per: ColumnRule['per'] = 1): ColumnRule => ({ type: 'u8', per, most });
const count: ColumnRule = { type: 'i32', per: 1, least: -1 };
const day: ColumnRule = { type: 'i32', per: 1, least: FIRST_DAY, most: LAST_DAY, needed: true };
const slotByte: ColumnRule = { type: 'u8', per: 'slot', needed: true };
const slotDays: ColumnRule = { type: 'i32', per: 'slot', least: -1, needed: true };
const medians = Object.fromEntries(
  ['m0', 'm1', 'm2', 'm3', 'm4', 'm5', 'm6'].map((name) => [name, { ...figure, needed: true as const }]),
);
const slotFigure: ColumnRule = { type: 'f64', per: 'slot' };
const own = {
  keyword: id(),
  place: id(),
  day,
  device: byte(4),
  country: { type: 'i32', per: 1, least: 0, most: 65_535 },
} as const satisfies Record<string, ColumnRule>;

const RULES: Record<SegmentLine['segment']['kind'], Record<string, ColumnRule>> = {
  rankings: {
    keyword: id(),
    place: id(),
    organic: { ...byte(), needed: true },
    paid: { ...byte(), needed: true },
  },
  metrics: {
    keyword: id(),
    volume: { ...count, needed: true },
    volumeLow: count,
    volumeHigh: count,
    volumeMonths: byte(12),
    cpcLow: figure,
    cpcHigh: figure,
    adCompetition: figure,
    results: figure,
    sourceDifficulty: figure,
    firstMonth: { type: 'i32', per: 1, least: 1900 * 12, most: 2200 * 12 },
    series: { type: 'i32', per: SERIES_MONTHS, least: -1 },
    season: { type: 'f64', per: 12 },
    peak: byte(),
    trend: figure,
    trendWord: byte(TREND_WORDS.length - 1),
  },
  captures: {
    keyword: id(),
    depth: { ...byte(), needed: true },
    above: { ...byte(7), needed: true },
    paidAbove: { ...byte(), needed: true },
    results: { ...figure, needed: true },
    words: { ...byte(), needed: true },
    slotStart: { type: 'i32', per: 1, least: 0, needed: true },
    slotCount: { type: 'i32', per: 1, least: 0, needed: true },
    ...medians,
    place: id('slot'),
    version: id('slot'),
    slot: slotByte,
    organic: slotByte,
    paid: slotByte,
    feature: { ...slotByte, most: FEATURE_CODES.length - 1 },
    authority: slotByte,
    phrase: slotByte,
    titleWords: slotByte,
    fieldWords: slotByte,
    engagement: { type: 'f32', per: 'slot', needed: true },
    age: slotDays,
    updated: slotDays,
    views: slotFigure,
    likes: slotFigure,
    length: slotFigure,
    price: slotFigure,
    rating: slotFigure,
    reviews: slotFigure,
    'sales rank': slotFigure,
  },
  performance: {
    ...own,
    impressions: { ...count, least: 0, needed: true },
    clicks: { ...count, least: 0, needed: true },
    position: { ...figure, needed: true },
  },
  'ad terms': {
    ...own,
    bidOn: id(),
    match: { ...byte(3), needed: true },
    impressions: { ...figure, needed: true },
    clicks: { ...count, least: 0, needed: true },
    cost: { ...figure, needed: true },
    conversions: { ...figure, needed: true },
    value: { ...figure, needed: true },
  },
  finds: {
    keyword: id(),
    way: { ...byte(FOUND_BY.length - 1), needed: true },
    count: { ...count, needed: true },
    order: { ...count, needed: true },
  },
};

/** A column as it was packed. */
export function unpacked({ type, data }: SegmentLine['columns'][string]): Column {
  const bytes = Buffer.from(data, 'base64');
  const width = emptyColumn(type, 1).BYTES_PER_ELEMENT;
  if (bytes.length % width !== 0) throw damaged('a column of it breaks off');
  const column = emptyColumn(type, bytes.length / width);
  new Uint8Array(column.buffer).set(bytes);
  return column;
}

/** The columns of a segment, each as it must be. Throws for one that is missing, unknown, too short or too long. */
export function checkedColumns({ segment, columns: packed }: SegmentLine): Columns {
  const rules = RULES[segment.kind];
  const columns: Columns = {};
  for (const [name, column] of Object.entries(packed)) {
    const rule = rules[name];
    if (!rule) throw damaged(`its ${segment.kind} have a column “${name}” that is not known here`);
    if (column.type !== rule.type) throw damaged(`a column ${name} is of type ${column.type}`);
    columns[name] = unpacked(column);
  }
  for (const [name, { needed }] of Object.entries(rules))
    if (needed && !columns[name]) throw damaged(`its ${segment.kind} lack the column ${name}`);
  const rows = columns.keyword!.length;
  if (segment.rows !== rows || rows > MOST_ENTRIES)
    throw damaged(`a segment says ${segment.rows} rows and holds ${rows}`);
  const slots = slotsOf(columns);
  for (const [name, column] of Object.entries(columns)) {
    const { per, least, most } = rules[name]!;
    const length = per === 'slot' ? slots : rows * per;
    if (column.length !== length)
      throw damaged(`a column ${name} has ${column.length} entries where there are ${length}`);
    assertBounds(name, column, least ?? -Infinity, most ?? Infinity);
  }
  return columns;
}

/** Slots of all captures together: each capture's lie one after another. */
function slotsOf({ slotStart, slotCount }: Columns): number {
  if (!slotStart || !slotCount) return 0;
  let next = 0;
  for (let row = 0; row < slotStart.length; row++) {
    if (slotStart[row] !== next) throw damaged('the slots of its captures do not follow one another');
    next += slotCount[row]!;
  }
  return next;
}

function assertBounds(name: string, column: Column, least: number, most: number): void {
  for (let n = 0; n < column.length; n++) {
    const value = column[n]!;
    if (value < least || value > most || value === Infinity || value === -Infinity)
      throw damaged(`a column ${name} holds ${value}`);
  }
}
