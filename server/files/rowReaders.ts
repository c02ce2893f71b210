import { type FileReading, IMPORT_KINDS, type ImportKind } from '@opsimath/contract/api/imports';
import type { AddressPlatform } from '@opsimath/core/text/address';
import { key } from '@opsimath/core/text/key';
import { Cells, Unusable } from './cells';

/** One row of a table as it is taken in. Figures that a file does not give are NaN; days count from 1970. */
export interface ImportedRows {
  performance: {
    query: string;
    page: string;
    day: number;
    impressions: number;
    clicks: number;
    position: number;
    device: number;
    country: number;
  };
  'ad terms': {
    query: string;
    adKeyword: string;
    match: string;
    page: string;
    day: number;
    impressions: number;
    clicks: number;
    cost: number;
    conversions: number;
    value: number;
    device: number;
    country: number;
  };
  metrics: {
    query: string;
    day: number;
    volume: number;
    /** Bounds of the volume where the file gives a range. */
    volumeLow: number;
    volumeHigh: number;
    cpcLow: number;
    cpcHigh: number;
    adCompetition: number;
    difficulty: number;
    results: number;
  };
  rankings: { query: string; page: string; day: number; organic: number; paid: number; volume: number };
  'hidden terms': { page: string; terms: string };
  /** The month as `2026-03`. */
  visits: { month: string; source: string; visits: number };
}
export type ImportedRow<Kind extends ImportKind = ImportKind> = ImportedRows[Kind];

const TOTAL_WORDS = new Set([
  'total',
  'totals',
  'sum',
  'all',
  'gesamt',
  'gesamtsumme',
  'summe',
  'insgesamt',
  'suma',
  'total general',
  'grand total',
]);

/** Turns records into rows: a row, a reason for refusing it, or `null` for a row of totals. */
export function rowReader(
  reading: FileReading,
  platforms: readonly AddressPlatform[] = [],
): (fields: readonly string[]) => ImportedRow | string | null {
  const cells = new Cells(reading, platforms);
  const read = READERS[reading.kind];
  const { needed, dated } = IMPORT_KINDS[reading.kind];
  const least =
    Math.max(...needed.map((field) => reading.columns[field] ?? 0), dated ? (reading.columns.date ?? 0) : 0) +
    1;
  return (fields) => {
    cells.fields = fields;
    if (dated && cells.dayOrNull() === null && isTotal(fields)) return null;
    if (fields.length < least) return `${fields.length} columns where ${least} are needed`;
    try {
      return read(cells);
    } catch (error) {
      if (error instanceof Unusable) return error.message;
      throw error;
    }
  };
}

const READERS: { [Kind in ImportKind]: (cells: Cells) => ImportedRows[Kind] } = {
  performance(cells) {
    const query = cells.query();
    const day = cells.day();
    const impressions = cells.count('impressions');
    const clicks = cells.count('clicks');
    assertClicks(clicks, impressions);
    const position = cells.position('position');
    const [device, country] = [cells.device(), cells.country()];
    return { query, page: cells.bareAddress(), day, impressions, clicks, position, device, country };
  },
  'ad terms'(cells) {
    const query = cells.query();
    const day = cells.day();
    const clicks = cells.count('clicks');
    const impressions = cells.countIfAny('impressions');
    assertClicks(clicks, impressions);
    return {
      query,
      adKeyword: cells.text('ad keyword'),
      match: cells.text('match type'),
      page: cells.bareAddress(),
      day,
      impressions,
      clicks,
      cost: cells.amount('cost', 1e9),
      conversions: cells.countIfAny('conversions'),
      value: cells.amount('value', 1e12),
      device: cells.device(),
      country: cells.country(),
    };
  },
  metrics(cells) {
    const query = cells.query();
    const day = cells.day();
    const single = cells.amount('cpc', 1e6);
    const low = cells.amount('cpc low', 1e6);
    const high = cells.amount('cpc high', 1e6);
    if (low > high) throw new Unusable(`CPC from ${low} to ${high} cannot be`);
    const { volume, low: volumeLow, high: volumeHigh } = cells.volume();
    return {
      query,
      day,
      volume,
      volumeLow,
      volumeHigh,
      cpcLow: Number.isNaN(low) ? single : low,
      cpcHigh: Number.isNaN(high) ? single : high,
      adCompetition: cells.share('ad competition'),
      difficulty: cells.amount('difficulty', 100),
      results: cells.amount('results', 1e15),
    };
  },
  rankings(cells) {
    const query = cells.query();
    const day = cells.day();
    const page = cells.address();
    const organic = cells.place('organic');
    const paid = cells.place('paid');
    if (organic === 0 && paid === 0) throw new Unusable('neither an organic nor a paid position');
    return { query, page, day, organic, paid, volume: cells.volume().volume };
  },
  'hidden terms'(cells) {
    const page = cells.address();
    const terms = cells.text('terms');
    if (terms === '') throw new Unusable('no terms');
    return { page, terms };
  },
  visits(cells) {
    const said = cells.text('month');
    const month = readMonth(said);
    if (month === null) throw new Unusable(`“${said.slice(0, 40)}” is no month: write 2026-03`);
    const source = cells.text('source').replace(/\s+/g, ' ').slice(0, 200);
    if (source === '') throw new Unusable('no source');
    return { month, source, visits: cells.count('visits') };
  },
};

/** A month as `2026-03`, out of 2026-03, 2026-03-14, 03/2026 or 3.2026; `null` for anything else. */
function readMonth(text: string): string | null {
  const [, year, month] = /^(\d{4})[-/.](\d{1,2})(?:[-/.]\d{1,2})?$/.exec(text) ?? [];
  const [, monthFirst, yearLast] = /^(\d{1,2})[-/.](\d{4})$/.exec(text) ?? [];
  const [y, m] = [year ?? yearLast, Number(month ?? monthFirst)];
  return y === undefined || !(m >= 1 && m <= 12) ? null : `${y}-${String(m).padStart(2, '0')}`;
}

function assertClicks(clicks: number, impressions: number): void {
  if (clicks > impressions) throw new Unusable(`${clicks} clicks of ${impressions} impressions cannot be`);
}

function isTotal(fields: readonly string[]): boolean {
  const first = fields.find((field) => field.trim() !== '');
  return first !== undefined && TOTAL_WORDS.has(key(first));
}
