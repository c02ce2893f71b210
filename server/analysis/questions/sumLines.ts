import type { SumLine } from '@opsimath/contract/api/dossier';
import type { GapRow } from '@opsimath/contract/api/gaps';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import type { Comparison } from '../comparison/comparison';
import { seasonOf } from '../facts/metrics';

const number = (value: number, digits = 0): string =>
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
  return `own ad terms, ${ads.from} to ${ads.to}: ${number(term.conversions)} of ${number(term.clicks)} clicks`;
}

/** The sum that led to a priority, line by line, each with what it is made of and where it came from. */
export function sumLines(comparison: Comparison, i: number, row: GapRow): SumLine[] {
  const { columns, metrics, curve, now, project, date, models } = comparison;
  const weighed =
    models.fitted === null
      ? 'default weights'
      : `model fitted on ${number(models.fitted.captures)} captures, AUC ${number(models.fitted.quality.auc, 2)}`;
  const { currency } = project.settings;
  const at = comparison.rows[i]!;
  const metricsNumber = metrics.segment[at]!;
  const metricsHead = metricsNumber === 0 ? null : metrics.segments[metricsNumber - 1]!.head;
  const season = seasonOf(metrics, at);
  const captured = row.captureDate === null ? 'no capture' : `capture of ${row.captureDate}`;
  const positions =
    row.captureDate === null ? (now.rests.length > 0 ? 'look-ups' : 'nothing held') : captured;
  const own = columns.ownOrganic[i]!;
  const factor = columns.featureFactor[i]!;
  const ownClicks = row.own === 'unknown' ? null : curve[own]!;
  const aimClicks = row.aim === null ? null : curve[row.aim]!;
  const line = (
    name: string,
    value: number | null,
    digits: number,
    how: string,
    source: string,
    estimated = true,
  ): SumLine => ({
    name,
    value: value === null ? MISSING : number(value, digits),
    how,
    source,
    estimated,
  });
  const verdict = VERDICTS[comparison.verdicts[i]!]!;
  const month = new Date(`${date}T00:00:00Z`).getUTCMonth();
  const coming = [1, 2, 3].map((ahead) => (month + ahead) % 12);
  const seasonMean =
    season === null ? 1 : (season[coming[0]!]! + season[coming[1]!]! + season[coming[2]!]!) / 3;
  const lent = row.volumeBorrowed ? comparison.borrowed : null;
  const volumeSource =
    lent !== null
      ? `borrowed from ${lent.from} × ${number(lent.ratio, 2)}, of ${number(lent.pairs)} keywords known on both`
      : metricsHead === null
        ? 'never looked up'
        : `${metricsHead.source}, ${metricsHead.date}`;
  return [
    line('Volume', row.volume, 0, 'searches a month, mean of the latest 12', volumeSource),
    line(
      'Season',
      seasonMean,
      2,
      season === null ? 'too few months for a season' : 'mean index of the coming three months',
      volumeSource,
    ),
    line('Demand', row.demand, 0, 'volume × season, searches a month', 'worked out'),
    line('Feature factor', factor, 3, 'share of clicks that what stands above leaves', captured),
    {
      name: 'Own position',
      value: String(row.own),
      how: ownClicks === null ? 'not known' : `click-through ${number(ownClicks, 4)}`,
      source: positions,
      estimated: false,
    },
    {
      name: 'Position aimed at',
      value: row.aim === null ? MISSING : String(row.aim),
      how: aimClicks === null ? 'needs both sides known' : `click-through ${number(aimClicks, 4)}`,
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
    row.chanceAssumed
      ? line('Chance', comparison.meanChance, 3, 'mean of this market, for want of a capture', weighed)
      : line(
          'Chance',
          row.chance,
          3,
          `of standing within ${project.settings.front} after: ${row.action}`,
          `${weighed}, ${captured}`,
        ),
    line(
      'Worth of a click',
      row.worth,
      2,
      WORTH_HOW[row.worthSource],
      worthFrom(comparison, row, volumeSource),
    ),
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
