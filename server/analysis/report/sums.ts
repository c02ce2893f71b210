import type { GapRow } from '@opsimath/contract/api/gaps';
import type { ReportRow, ReportTable } from '@opsimath/contract/api/reportContent';
import type { WorkLine } from '@opsimath/contract/api/whatToDo';
import { shown } from '@opsimath/core/shown';
import { type Comparison, entryOf } from '../comparison/comparison';

const MOST_SERVED = 12;

/** What every sum of money in a report is made of, row by row: no sum stands without one of these. */
export class Sums {
  private readonly rows = new Map<string, ReportRow[]>();

  private readonly comparison: Comparison;

  /** @param compared whatever is shown of it, sums are of all keywords */
  constructor(compared: Comparison) {
    this.comparison = compared.whole ?? compared;
  }

  /** The row that a piece of work’s money is explained in. */
  ofWork(line: WorkLine): string {
    const key = `w${line.lead.id}-${line.action.replace(/\W+/g, '-')}`;
    if (this.rows.has(key)) return `sums:${key}`;
    const served = line.serves.slice(0, MOST_SERVED).map(({ id, text, clicks, value }, n): ReportRow => {
      const entry = entryOf(this.comparison, id);
      const known = (column: ArrayLike<number>): number | null =>
        entry < 0 || Number.isNaN(column[entry]!) ? null : column[entry]!;
      const { expectedVolume, worth, fit } = this.comparison.columns;
      return {
        key: `${key}-${n}`,
        cells: ['', text, known(expectedVolume), clicks, known(worth), known(fit), value],
      };
    });
    const rest = line.serves.slice(MOST_SERVED);
    const told = line.serves.reduce((sum, { value }) => sum + value, 0);
    // What lies beyond the keywords that are named, and what it costs beside work.
    const beyond = line.value - told + line.cost;
    const others = rest.reduce((sum, { value }) => sum + value, beyond);
    if (rest.length > 0 || Math.abs(beyond) >= 0.005)
      served.push({
        key: `${key}-rest`,
        cells: ['', 'other keywords together', null, null, null, null, others],
      });
    if (line.cost !== 0)
      served.push({
        key: `${key}-cost`,
        cells: ['', line.cost > 0 ? 'cost beside work' : 'cost saved', null, null, null, null, -line.cost],
      });
    this.rows.set(key, [
      {
        key,
        cells: [
          `${line.action}: ${line.lead.text}`,
          'all together',
          null,
          line.clicks,
          null,
          null,
          line.value,
        ],
        below: [
          `${shown('decimal', line.effort, 2)} days of work, so ${shown('money', line.priority)} for a day; 80 % between ${shown('money', line.low)} and ${shown('money', line.high)}`,
        ],
      },
      ...served,
    ]);
    return `sums:${key}`;
  }

  /** The row that explains what the best action for one keyword adds. */
  ofGap(row: GapRow): string {
    const key = `g${row.id}`;
    const entry = entryOf(this.comparison, row.id);
    const fit = entry < 0 ? null : this.comparison.columns.fit[entry]!;
    const product = (row.gain ?? 0) * row.worth * (fit ?? 1);
    const cost = row.worthAMonth === null ? 0 : product + row.elsewhereValue - row.worthAMonth;
    this.rows.set(key, [
      {
        key,
        cells: [row.action, row.text, row.demand, row.gain, row.worth, fit, row.worthAMonth],
        below: [
          `worth of a click: ${row.worthSource}`,
          ...(row.elsewhereValue === 0
            ? []
            : [`on other keywords of the page ${shown('money', row.elsewhereValue)}`]),
          ...(Math.abs(cost) < 0.005 ? [] : [`cost beside work ${shown('money', cost)}`]),
        ],
      },
    ]);
    return `sums:${key}`;
  }

  table(currency: string): ReportTable | null {
    if (this.rows.size === 0) return null;
    return {
      kind: 'table',
      id: 'sums',
      title: 'What the sums are made of',
      columns: [
        { key: 'work', name: 'Work', kind: 'text' },
        { key: 'keyword', name: 'Keyword', kind: 'text' },
        {
          key: 'demand',
          name: 'Searches a month',
          kind: 'count',
          tip: 'Demand: volume × season. Estimated.',
        },
        {
          key: 'clicks',
          name: 'Clicks added',
          kind: 'decimal',
          tip: 'A month, over doing nothing. Estimated.',
        },
        { key: 'worth', name: `Worth of a click, ${currency}`, kind: 'decimal', digits: 2 },
        { key: 'fit', name: 'Fit', kind: 'decimal', digits: 1 },
        { key: 'adds', name: `Adds a month, ${currency}`, kind: 'money' },
      ],
      rows: [...this.rows.values()].flat(),
      caption: 'Clicks added × worth of a click × fit = what a keyword adds. All estimated.',
      empty: 'None.',
    };
  }
}
