import { ABSENT, isRanked } from '../ranking/position';
import type { Surface } from '../ranking/clickThrough';

/** Suggested actions (method §8); stored in columns as the index here. */
export const ACTIONS = [
  'capture first',
  'trim bid',
  'retitle',
  'add the words',
  'strengthen',
  'advertise',
  'new page',
  'new video',
  'new listing',
  'merge',
  'hold',
] as const;
export type Action = (typeof ACTIONS)[number];

/** Effort in days by action, editable in the project's settings (method §8). */
export type Efforts = Readonly<Record<Action, number>>;

export const DEFAULT_EFFORTS: Efforts = {
  'capture first': 0.1,
  'trim bid': 0.1,
  retitle: 0.25,
  'add the words': 0.25,
  strengthen: 1,
  advertise: 0.1,
  'new page': 3,
  'new video': 4,
  'new listing': 2,
  merge: 1,
  hold: 0.1,
};

/** Chance below which a click is rather bought, unless the project says otherwise (method §8). */
export const LOW_CHANCE = 0.15;

/** What is made where no target of ours covers a keyword. */
export const NEW_TARGET = {
  web: 'new page',
  video: 'new video',
  marketplace: 'new listing',
} as const satisfies Record<Surface, Action>;

/** The facts that choose an action. Positions are column values. */
export interface ActionFacts {
  surface: Surface;
  known: boolean;
  ownOrganic: number;
  /** We pay for it while standing near the top without (method §5). */
  doubling: boolean;
  /** Our best target carries the phrase in its title. */
  phraseInTitle: boolean;
  /** After the action, 0–1; NaN if unknown. */
  chance: number;
  /** Below which chance a click is rather bought. */
  lowChance: number;
  /** Of a click. */
  worth: number;
  /** Expected cost of a click; NaN if unknown. */
  clickCost: number;
  /** Some own target holds every word of the keyword. */
  covered: boolean;
  /** Two or more own targets in the capture. */
  cannibalised: boolean;
}

/**
 * The suggested action (method §8) as an index into {@link ACTIONS}: first rule that holds.
 * Beyond the rules of §8: nothing known → *capture first*; covered or ranked deeper than 50 → *strengthen*;
 * at 1–3 with nothing amiss → *hold*.
 */
export function suggestAction(facts: ActionFacts): number {
  const { ownOrganic: own } = facts;
  if (!facts.known) return ACTIONS.indexOf('capture first');
  if (facts.doubling) return ACTIONS.indexOf('trim bid');
  if (own >= 4 && own <= 20 && !facts.phraseInTitle)
    return ACTIONS.indexOf(facts.surface === 'marketplace' ? 'add the words' : 'retitle');
  if (own >= 4 && own <= 50) return ACTIONS.indexOf('strengthen');
  if (!isRanked(own) || own > 50) {
    if (facts.chance < facts.lowChance && facts.worth > facts.clickCost) return ACTIONS.indexOf('advertise');
    if (own === ABSENT && !facts.covered) return ACTIONS.indexOf(NEW_TARGET[facts.surface]);
  }
  if (facts.cannibalised) return ACTIONS.indexOf('merge');
  return isRanked(own) && own <= 3 ? ACTIONS.indexOf('hold') : ACTIONS.indexOf('strengthen');
}
