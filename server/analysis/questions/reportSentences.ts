import type { Models } from '../models/models';
import type { Report } from '@opsimath/contract/api/report';

type Content = Omit<Report, 'sentences' | 'quality'>;
const whole = (value: number): string => Math.round(value).toLocaleString('en-US');
const percent = (share: number): string => `${(share * 100).toFixed(1)} %`;

/** The report's summary in plain sentences. */
export function summarySentences(content: Content): string[] {
  const { totals, sides, paid, currency, front } = content;
  const [own, ...rivals] = sides;
  const missing = totals.kinds.absent + totals.kinds.buried + totals.kinds.trailing;
  const sentences: string[] = [];
  if (totals.keywords === 0) return ['This scope holds no keywords yet: run a look-up first.'];
  sentences.push(
    `Of ${whole(totals.keywords)} keywords compared, a rival stands before us on the front page for ${whole(missing)}: ` +
      `we are absent from ${whole(totals.kinds.absent)}, buried below the first ${front} for ${whole(totals.kinds.buried)}, ` +
      `and trailing a rival on it for ${whole(totals.kinds.trailing)}.`,
  );
  if (totals.kinds.unknown > 0) {
    sentences.push(
      `${whole(totals.kinds.unknown)} keywords are unknown: no result page has been captured that would tell.`,
    );
  }
  const { first } = content.work;
  if (first !== null) {
    sentences.push(
      `Doing the first ${first.lines} pieces of work would add about ${whole(first.value)} ${currency} a month for ${first.days.toFixed(1)} days ` +
        `(estimated; 80 % between ${whole(first.low)} and ${whole(first.high)}).`,
    );
  }
  if (own && own.visibility !== null) {
    const best = rivals
      .filter((rival) => rival.visibility !== null)
      .sort((a, b) => b.visibility! - a.visibility!)[0];
    const change =
      own.visibilityBefore === null
        ? ''
        : `, from ${percent(own.visibilityBefore)} on ${content.compare ?? ''}`;
    sentences.push(
      `${own.name}'s visibility is ${percent(own.visibility)}${change}` +
        (best ? `; the strongest rival, ${best.name}, has ${percent(best.visibility!)}.` : '.'),
    );
  }
  const next = content.work.lines[0];
  if (next) sentences.push(`The first thing to do: ${next.action} for “${next.lead.text}”. ${next.reason}`);
  if (paid.doubling.length > 0) {
    sentences.push(
      `We pay for ${whole(totals.marks.doubling)} keywords where we stand at 3 or better without paying.`,
    );
  }
  if (totals.paid.unbid > 0)
    sentences.push(`Rivals buy ${whole(totals.paid.unbid)} keywords on which we do not advertise.`);
  return sentences;
}

/** What the figures rest on and where they are weak. */
export function qualitySentences(content: Content, captured: number, models: Models): string[] {
  const { totals, front } = content;
  const curve = models.curveFitted
    ? 'click-through fitted from own search performance'
    : 'a prior click-through curve';
  const weights =
    models.forecast.fitted === null
      ? 'stated defaults of the forecast'
      : `a forecast fitted on ${whole(models.forecast.fitted.captures)} pairs of captures`;
  return [
    `${whole(captured)} of ${whole(totals.keywords)} keywords have a captured result page; only these can show anybody absent.`,
    `Positions count organic slots only. The front is the first ${front}. “Absent” means looked through and not found; “unknown” means never looked.`,
    `Clicks, chance and worth are estimated: ${curve}, ${weights}, and CPC × 0.7 as the worth of a click unless the project sets one.`,
  ];
}
