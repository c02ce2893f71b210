import type { SumLine } from '@opsimath/contract/api/dossier';
import type { GapRow } from '@opsimath/contract/api/gaps';
import { seasonMean } from '@opsimath/core/demand/season';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import type { Comparison } from '../comparison/comparison';
import { monthOf } from '../facts/demand';
import { seasonOf } from '../facts/metrics';

const spelled = (value: number, digits = 0): string =>
  value.toLocaleString('en-US', { minimumFractionDigits: digits, maximumFractionDigits: digits });
const MISSING = 'unknown';

const WORTH_HOW: Record<GapRow['worthSource'], string> = {
  'own conversions':
    'conversion rate of our ads for it, drawn towards that of all terms, × mean value of a conversion',
  'price and margin': 'price of our listing × margin × conversion rate',
  CPC: 'middle of the CPC range × 0.7',
  'project default': 'set for the project',
};

function worthFrom({ ads }: Comparison, row: GapRow, metrics: string): string {
  if (row.worthSource === 'CPC') return metrics;
  if (row.worthSource !== 'own conversions') return 'settings';
  const term = ads.terms.get(row.id)!;
  return `own ad terms, ${ads.from} to ${ads.to}: ${spelled(term.conversions)} of ${spelled(term.clicks)} clicks`;
}

/** Where the parts of a sum came from, in words. */
function sourcesOf({ metrics, rows, models, borrowed, now }: Comparison, i: number, row: GapRow) {
  const number = metrics.segment[rows[i]!]!;
  const metricsHead = number === 0 ? null : metrics.segments[number - 1]!.head;
  const lent = row.volumeBorrowed ? borrowed : null;
  const captured = row.captureDate === null ? 'no capture' : `capture of ${row.captureDate}`;
  return {
    volume:
      lent !== null
        ? `borrowed from ${lent.from} × ${spelled(lent.ratio, 2)}, of ${spelled(lent.pairs)} keywords known on both`
        : metricsHead === null
          ? 'never looked up'
          : `${metricsHead.source}, ${metricsHead.date}`,
    captured,
    positions: row.captureDate !== null ? captured : now.rests.length > 0 ? 'look-ups' : 'nothing held',
    weighed:
      models.fitted === null
        ? 'default weights'
        : `model fitted on ${spelled(models.fitted.captures)} captures, AUC ${spelled(models.fitted.quality.auc, 2)}`,
  };
}

/** A line with a figure; unknown without one. */
function line(
  name: string,
  value: number | null,
  digits: number,
  how: string,
  source: string,
  estimated = true,
): SumLine {
  return { name, value: value === null ? MISSING : spelled(value, digits), how, source, estimated };
}

/** The sum that led to a priority, line by line, each with what it is made of and where it came from. */
export function sumLines(comparison: Comparison, i: number, row: GapRow): SumLine[] {
  const sources = sourcesOf(comparison, i, row);
  return [
    ...demandLines(comparison, i, row, sources),
    ...gainLines(comparison, i, row, sources),
    ...worthLines(comparison, i, row, sources),
  ];
}

type Sources = ReturnType<typeof sourcesOf>;

function demandLines(comparison: Comparison, i: number, row: GapRow, { volume }: Sources): SumLine[] {
  const season = seasonOf(comparison.metrics, comparison.rows[i]!);
  return [
    line('Volume', row.volume, 0, 'searches a month, mean of the latest 12', volume),
    line(
      'Season',
      seasonMean(season, monthOf(comparison.date)),
      2,
      season === null ? 'too few months for a season' : 'mean index of the coming three months',
      volume,
    ),
    line('Demand', row.demand, 0, 'volume × season, searches a month', 'worked out'),
  ];
}

function gainLines(
  { columns, curve, models }: Comparison,
  i: number,
  row: GapRow,
  { captured, positions }: Sources,
): SumLine[] {
  const ownClicks = row.own === 'unknown' ? null : curve[columns.ownOrganic[i]!]!;
  const aimClicks = row.aim === null ? null : curve[row.aim]!;
  return [
    line(
      'Feature factor',
      columns.featureFactor[i]!,
      3,
      'share of clicks that what stands above leaves',
      captured,
    ),
    {
      name: 'Own position',
      value: row.ownPresumed ? `${row.own}, presumed` : String(row.own),
      how: ownClicks === null ? 'not known' : `click-through ${spelled(ownClicks, 4)}`,
      source: row.ownPresumed ? 'a complete look-up that does not name it' : positions,
      estimated: row.ownPresumed,
    },
    {
      name: 'Position aimed at',
      value: row.aim === null ? MISSING : String(row.aim),
      how: aimClicks === null ? 'needs both sides known' : `click-through ${spelled(aimClicks, 4)}`,
      source: `by gap kind: ${row.kind}`,
      estimated: true,
    },
    line(
      'Gain',
      row.gain,
      1,
      'demand × factor × difference in click-through, clicks a month',
      models.curveFitted ? 'click-through fitted from own search performance' : 'prior click-through curve',
    ),
  ];
}

function worthLines(
  comparison: Comparison,
  i: number,
  row: GapRow,
  { weighed, captured, volume }: Sources,
): SumLine[] {
  const { columns, project, verdicts } = comparison;
  const { currency, front } = project.settings;
  const verdict = VERDICTS[verdicts[i]!]!;
  return [
    row.chanceAssumed
      ? line('Chance', comparison.meanChance, 3, 'mean of this market, for want of a capture', weighed)
      : line(
          'Chance',
          row.chance,
          3,
          `of standing within ${front} after: ${row.action}`,
          `${weighed}, ${captured}`,
        ),
    line('Worth of a click', row.worth, 2, WORTH_HOW[row.worthSource], worthFrom(comparison, row, volume)),
    line(
      'Fit',
      columns.fit[i]!,
      1,
      verdict,
      verdict === 'unjudged' ? 'no verdict yet' : 'verdict, Sift',
      false,
    ),
    line(
      'Expected worth',
      row.worthAMonth,
      2,
      `chance × gain × worth × fit, ${currency} a month`,
      'worked out',
    ),
    line('Effort', row.effort, 2, `days to ${row.action}`, 'settings', false),
    line(
      'Priority',
      row.priority,
      1,
      `expected worth ÷ effort, ${currency} a month for a day of work`,
      'worked out',
    ),
  ];
}
