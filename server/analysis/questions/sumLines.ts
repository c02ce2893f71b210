import type { SumLine } from '@opsimath/contract/api/dossier';
import type { GapRow } from '@opsimath/contract/api/gaps';
import { seasonMean } from '@opsimath/core/demand/season';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import type { Comparison } from '../comparison/comparison';
import { WARY } from '../comparison/wary';
import { FORETOLD_OF } from '../comparison/foretell';
import { monthOf } from '../facts/demand';
import { seasonOf } from '../facts/metrics';

const spelled = (value: number, digits = 0): string =>
  value.toLocaleString('en-US', { minimumFractionDigits: digits, maximumFractionDigits: digits });
const MISSING = 'unknown';

const WORTH_HOW: Record<GapRow['worthSource'], string> = {
  'own conversions':
    'conversion rate of our ads for it, smoothed towards that of all terms, × mean value of a conversion',
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
      models.forecast.fitted === null
        ? 'stated defaults'
        : `forecast fitted on ${spelled(models.forecast.fitted.captures)} pairs of captures`,
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
  comparison: Comparison,
  i: number,
  row: GapRow,
  { captured, positions, weighed }: Sources,
): SumLine[] {
  const { columns, models, project } = comparison;
  const { front } = project.settings;
  const known = (value: number): number | null => (Number.isNaN(value) ? null : value);
  const foretold = FORETOLD_OF[row.action];
  const ahead = `${models.forecast.horizon} days ahead`;
  const from = row.chanceAssumed
    ? `${weighed}, no capture: from the position alone`
    : `${weighed}, ${captured}`;
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
      how: 'where the forecast begins',
      source: row.ownPresumed ? 'a complete look-up that does not name it' : positions,
      estimated: row.ownPresumed,
    },
    line('Chance as it is', row.asIs, 3, `of standing within ${front} if nothing is done, ${ahead}`, from),
    line(
      'Click-through as it is',
      known(columns.asIs.clickThrough[i]!),
      4,
      `over all places it may stand at, ${ahead}`,
      models.curveFitted ? 'click-through fitted from own search performance' : 'prior click-through curve',
    ),
    line('Chance', row.chance, 3, `of standing within ${front} after: ${row.action}`, from),
    ...(foretold === undefined
      ? []
      : [
          line(
            'Click-through after',
            known(columns[foretold].clickThrough[i]!),
            4,
            `over all places it may stand at after: ${row.action}`,
            from,
          ),
        ]),
    line(
      'Clicks added',
      row.gain,
      1,
      foretold === undefined
        ? 'clicks a month, by what ads bring'
        : 'demand × factor × difference in click-through, clicks a month',
      'worked out',
    ),
  ];
}

/** Why a keyword that nobody judged has its fit. */
const WARY_HOW: Record<(typeof WARY)[number], string> = {
  nothing: 'no verdict yet',
  doubtful: 'no verdict yet; it holds a doubtful word or a rival’s name, so it weighs as adjacent',
  forbidden: 'no verdict yet; it holds a word not to be used, so it weighs as off',
};

function worthLines(comparison: Comparison, i: number, row: GapRow, { volume }: Sources): SumLine[] {
  const { columns, project, verdicts } = comparison;
  const { currency } = project.settings;
  const verdict = VERDICTS[verdicts[i]!]!;
  const fit = columns.fit[i]!;
  const foretold = FORETOLD_OF[row.action];
  const elsewhere =
    foretold === 'retitled'
      ? columns.elsewhereRetitled
      : foretold === 'strengthened'
        ? columns.elsewhereStrengthened
        : null;
  const others = elsewhere?.value[i] ?? 0;
  const cost =
    row.gain === null || row.worthAMonth === null
      ? null
      : row.gain * row.worth * fit + others - row.worthAMonth;
  return [
    line('Worth of a click', row.worth, 2, WORTH_HOW[row.worthSource], worthFrom(comparison, row, volume)),
    line(
      'Fit',
      fit,
      1,
      verdict,
      verdict === 'unjudged' ? WARY_HOW[WARY[comparison.wary[i]!]!] : 'verdict, Sift',
      false,
    ),
    ...(row.elsewhere === null
      ? []
      : [
          line(
            'On other keywords',
            others,
            2,
            `what ${row.elsewhere.won.keywords} win and ${row.elsewhere.lost.keywords} lose of the same page, each at its own worth and fit, ${currency} a month`,
            'forecast, word by word',
          ),
        ]),
    line('Cost', cost, 2, `beside work, ${currency} a month; what is saved is below 0`, 'worked out'),
    line(
      'Adds',
      row.worthAMonth,
      2,
      `clicks added × worth × fit${row.elsewhere === null ? '' : ' + other keywords'} − cost, ${currency} a month`,
      'worked out',
    ),
    line('Effort', row.effort, 2, `days to ${row.action}`, 'settings', false),
    line(
      'Priority',
      row.priority,
      1,
      `what it adds ÷ effort, ${currency} a month for a day of work`,
      'worked out',
    ),
  ];
}
