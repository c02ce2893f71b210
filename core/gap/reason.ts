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

/** Sentences and parts of them, with `{{names}}` for what is put in; another language has its own of the same names. */
export const ENGLISH_REASONS = {
  'capture first': 'We or all rivals are unknown here: no result page has been captured that would tell.',
  merge: '{{ownTargets}} of our pages share this result page, the best at {{own}}.',
  hold: '{{stand}}; nothing that can be done would add to it.',
  'trim bid': '{{adds}}: we pay for slot {{ownPaid}} while standing at {{own}} without paying.',
  advertise: '{{adds}}: {{searched}}{{stand}}, and a click is worth more than it costs.',
  retitle: '{{adds}}: {{searched}}{{stand}}{{title}}{{chance}}{{elsewhere}}.',
  'add the words': '{{adds}}: {{searched}}{{stand}}{{title}}{{chance}}{{elsewhere}}.',
  strengthen: '{{adds}}: {{searched}}{{stand}}, {{rivals}}{{chance}}{{elsewhere}}.',
  'new page': '{{adds}}: {{searched}}{{rivals}}, and no page of ours holds all its words{{chance}}.',
  'new video': '{{adds}}: {{searched}}{{rivals}}, and no video of ours holds all its words{{chance}}.',
  'new listing': '{{adds}}: {{searched}}{{rivals}}, and no listing of ours holds all its words{{chance}}.',
  adds: 'Adds about {{value}} {{currency}} a month for {{days}}',
  addsUnknown: 'What it adds is unknown, for {{days}}',
  searched: 'searched {{searches}} times a month, ',
  ranked: 'We stand at {{own}}',
  absent: 'We are absent',
  unknown: 'Our position is unknown',
  noRival: 'no rival within the first {{front}}',
  aRival: 'a rival at {{positions}}',
  rivals: 'rivals at {{positions}}',
  and: ' and ',
  title: ' with the phrase missing from the title',
  titleNone: ' with the phrase missing from the title; none of the first {{results}} has it',
  titleSome: ' with the phrase missing from the title; {{lacking}} of the first {{results}} lack it too',
  chance: '; the chance of the first {{front}} goes from {{asIs}} to {{chance}}',
  winsOne: '; wins about {{clicks}} clicks on 1 other keyword of the page',
  wins: '; wins about {{clicks}} clicks on {{keywords}} other keywords of the page',
  costsOne: '; costs about {{clicks}} clicks on 1 other keyword',
  costs: '; costs about {{clicks}} clicks on {{keywords}} other keywords',
  tenthOfADay: 'a tenth of a day',
  quarterOfADay: 'a quarter of a day',
  halfADay: 'half a day',
  aDay: 'a day',
  days: '{{days}} days',
} as const;
export type ReasonWords = Record<keyof typeof ENGLISH_REASONS, string>;

/**
 * Why an action stands where it does, as one plain sentence (method §8).
 * @param locale how numbers are spelled
 * @example reason({ action: 'hold', own: 1, ownPaid: 255, rivalsInFront: [], front: 10, frontPhrase: null, ownTargets: 1, searches: 90, asIs: 1, chance: 1, value: 0, currency: 'USD', effort: 0.1, elsewhere: null }) // 'We stand at 1; nothing that can be done would add to it.'
 */
export function reason(
  facts: ReasonFacts,
  words: ReasonWords = ENGLISH_REASONS,
  locale: string = 'en-US',
): string {
  const say = (name: keyof ReasonWords, values: Values = {}): string => filled(words[name], values);
  const number = (value: number): string => rounded(value, locale);
  const stand = standing(facts, say);
  return say(facts.action, {
    ownTargets: facts.ownTargets,
    own: facts.own,
    ownPaid: facts.ownPaid,
    adds: added(facts, say, number),
    searched: facts.searches === null ? '' : say('searched', { searches: number(facts.searches) }),
    stand: facts.action === 'hold' ? stand : stand.charAt(0).toLowerCase() + stand.slice(1),
    title: titleLacks(facts, say),
    rivals: rivalsHeld(facts, say),
    chance: chanceMoves(facts, say),
    elsewhere: elsewhereMoves(facts, say, number),
  });
}

type Values = Readonly<Record<string, string | number>>;
type Say = (name: keyof ReasonWords, values?: Values) => string;
type Spell = (value: number) => string;

const filled = (text: string, values: Values): string =>
  text.replace(/\{\{(\w+)\}\}/g, (_, name: string) => String(values[name] ?? ''));

function added({ value, currency, effort }: ReasonFacts, say: Say, spell: Spell): string {
  const days = daysOfWork(effort, say);
  return value === null ? say('addsUnknown', { days }) : say('adds', { value: spell(value), currency, days });
}

/** What the title lacks, and how many of the front lack it too. */
function titleLacks({ frontPhrase: front }: ReasonFacts, say: Say): string {
  if (front === null || front.held >= front.results) return say('title');
  return front.held === 0
    ? say('titleNone', { results: front.results })
    : say('titleSome', { results: front.results, lacking: front.results - front.held });
}

function chanceMoves({ asIs, chance, front }: ReasonFacts, say: Say): string {
  if (asIs === null || chance === null) return '';
  return say('chance', { front, asIs: percent(asIs), chance: percent(chance) });
}

/** What the page’s other keywords win and lose, where it is more than a click. */
function elsewhereMoves({ elsewhere }: ReasonFacts, say: Say, spell: Spell): string {
  if (elsewhere === null) return '';
  const told = (
    { keywords, clicks }: { keywords: number; clicks: number },
    one: keyof ReasonWords,
    many: keyof ReasonWords,
  ): string => (keywords === 0 ? '' : say(keywords === 1 ? one : many, { clicks: spell(clicks), keywords }));
  return told(elsewhere.won, 'winsOne', 'wins') + told(elsewhere.lost, 'costsOne', 'costs');
}

function standing({ own }: ReasonFacts, say: Say): string {
  return isRanked(own) ? say('ranked', { own }) : say(own === ABSENT ? 'absent' : 'unknown');
}

function rivalsHeld({ rivalsInFront: held, front }: ReasonFacts, say: Say): string {
  if (held.length === 0) return say('noRival', { front });
  if (held.length === 1) return say('aRival', { positions: held[0]! });
  return say('rivals', { positions: held.slice(0, -1).join(', ') + say('and') + held.at(-1)! });
}

/** Days of work as people say them. */
function daysOfWork(days: number, say: Say): string {
  if (days === 0.1) return say('tenthOfADay');
  if (days === 0.25) return say('quarterOfADay');
  if (days === 0.5) return say('halfADay');
  return days === 1 ? say('aDay') : say('days', { days });
}

const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** To two digits below a hundred, to three above: it is an estimate. */
function rounded(value: number, locale: string): string {
  const digits = Math.abs(value) < 100 ? 2 : 3;
  return Number(value.toPrecision(digits)).toLocaleString(locale, { maximumFractionDigits: 2 });
}
