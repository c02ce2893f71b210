import { ABSENT, isRanked } from '../ranking/position';
import type { Action } from './action';

export interface ReasonFacts {
  action: Action;
  own: number;
  ownPaid: number;
  /** Positions of rivals within the front, best first. */
  rivalsInFront: readonly number[];
  front: number;
  /** Results of the captured front, and how many have the phrase in the title; `null` without a capture. */
  frontPhrase: { results: number; held: number } | null;
  ownTargets: number;
  /** Searches a month, expected; `null` if unknown. */
  searches: number | null;
  /** P(within F) as it is and after the action; `null` if unknown. */
  asIs: number | null;
  chance: number | null;
  /** What it adds a month, and the work it takes; `null` if unknown. */
  value: number | null;
  currency: string;
  effort: number;
  /** What other keywords of the same page win and lose, clicks a month; `null` where none is touched. */
  elsewhere: {
    won: { keywords: number; clicks: number };
    lost: { keywords: number; clicks: number };
  } | null;
}

/** Why an action stands where it does, as one plain sentence (method §8). */
export function reason(facts: ReasonFacts): string {
  switch (facts.action) {
    case 'capture first':
      return 'We or all rivals are unknown here: no result page has been captured that would tell.';
    case 'merge':
      return `${facts.ownTargets} of our pages share this result page, the best at ${facts.own}.`;
    case 'hold':
      return `${ownPhrase(facts)}; nothing that can be done would add to it.`;
    case 'trim bid':
      return `${lead(facts)}: we pay for slot ${facts.ownPaid} while standing at ${facts.own} without paying.`;
    case 'advertise':
      return `${lead(facts)}: ${searchedPhrase(facts)}${lower(ownPhrase(facts))}, and a click is worth more than it costs.`;
    case 'retitle':
    case 'add the words':
      return `${lead(facts)}: ${searchedPhrase(facts)}${lower(ownPhrase(facts))}${titlePhrase(facts)}${chancePhrase(facts)}${elsewherePhrase(facts)}.`;
    case 'strengthen':
      return `${lead(facts)}: ${searchedPhrase(facts)}${lower(ownPhrase(facts))}, ${rivalsPhrase(facts.rivalsInFront, facts.front)}${chancePhrase(facts)}${elsewherePhrase(facts)}.`;
    case 'new page':
    case 'new video':
    case 'new listing':
      return `${lead(facts)}: ${searchedPhrase(facts)}${rivalsPhrase(facts.rivalsInFront, facts.front)}, and no ${facts.action.slice(4)} of ours holds all its words${chancePhrase(facts)}.`;
  }
}

function lead({ value, currency, effort }: ReasonFacts): string {
  if (value === null) return `What it adds is unknown, for ${daysPhrase(effort)}`;
  return `Adds about ${rounded(value)} ${currency} a month for ${daysPhrase(effort)}`;
}

function searchedPhrase({ searches }: ReasonFacts): string {
  return searches === null ? '' : `searched ${rounded(searches)} times a month, `;
}

/** What the title lacks, and how many of the front lack it too. */
function titlePhrase({ frontPhrase: front }: ReasonFacts): string {
  const missing = ' with the phrase missing from the title';
  if (front === null || front.held >= front.results) return missing;
  return front.held === 0
    ? `${missing}; none of the first ${front.results} has it`
    : `${missing}; ${front.results - front.held} of the first ${front.results} lack it too`;
}

function chancePhrase({ asIs, chance, front }: ReasonFacts): string {
  if (asIs === null || chance === null) return '';
  return `; the chance of the first ${front} goes from ${percent(asIs)} to ${percent(chance)}`;
}

/** What the page’s other keywords win and lose, where it is more than a click. */
function elsewherePhrase({ elsewhere }: ReasonFacts): string {
  if (elsewhere === null) return '';
  const { won, lost } = elsewhere;
  const others = (count: number): string => `${count} other keyword${count === 1 ? '' : 's'}`;
  const wins =
    won.keywords === 0
      ? ''
      : `; wins about ${rounded(won.clicks)} clicks on ${others(won.keywords)} of the page`;
  const costs =
    lost.keywords === 0 ? '' : `; costs about ${rounded(lost.clicks)} clicks on ${others(lost.keywords)}`;
  return wins + costs;
}

function ownPhrase(facts: ReasonFacts): string {
  if (isRanked(facts.own)) return `We stand at ${facts.own}`;
  return facts.own === ABSENT ? 'We are absent' : 'Our position is unknown';
}

function rivalsPhrase(positions: readonly number[], front: number): string {
  if (positions.length === 0) return `no rival within the first ${front}`;
  const list =
    positions.length === 1
      ? `${positions[0]}`
      : `${positions.slice(0, -1).join(', ')} and ${positions.at(-1)}`;
  return `${positions.length === 1 ? 'a rival' : 'rivals'} at ${list}`;
}

/** Days of work as people say them. */
function daysPhrase(days: number): string {
  if (days === 0.1) return 'a tenth of a day';
  if (days === 0.25) return 'a quarter of a day';
  if (days === 0.5) return 'half a day';
  return days === 1 ? 'a day' : `${days} days`;
}

const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** To two digits below a hundred, to three above: it is an estimate. */
function rounded(value: number): string {
  const digits = Math.abs(value) < 100 ? 2 : 3;
  return Number(value.toPrecision(digits)).toLocaleString('en-US', { maximumFractionDigits: 2 });
}
