import { ABSENT, isRanked } from '../ranking/position';
import type { Action } from './action';

export interface ReasonFacts {
  action: Action;
  own: number;
  ownPaid: number;
  /** Positions of rivals within the front, best first. */
  rivalsInFront: readonly number[];
  front: number;
  phraseInTitle: boolean;
  covered: boolean;
  ownTargets: number;
  /** 0–1 after the action; `null` if unknown. */
  chance: number | null;
}

/** The facts that chose the action, as one plain sentence (method §8). */
export function reason(facts: ReasonFacts): string {
  const rivals = rivalsPhrase(facts.rivalsInFront, facts.front);
  switch (facts.action) {
    case 'capture first':
      return 'We or all rivals are unknown here: no result page has been captured that would tell.';
    case 'trim bid':
      return `We pay for slot ${facts.ownPaid} while standing at ${facts.own} without paying.`;
    case 'retitle':
    case 'add the words':
      return `We stand at ${facts.own}, ${rivals}; our title lacks the phrase.`;
    case 'strengthen':
      return `${ownPhrase(facts)}, ${rivals}; ${facts.phraseInTitle ? 'the title has the phrase already' : 'an own page holds the words'}.`;
    case 'advertise':
      return `${ownPhrase(facts)}, ${rivals}; the chance of ${percent(facts.chance)} is low and a click is worth more than it costs.`;
    case 'new page':
    case 'new video':
    case 'new listing':
      return `${ownPhrase(facts)}, ${rivals}; no ${facts.action.slice(4)} of ours holds all its words.`;
    case 'merge':
      return `${facts.ownTargets} of our pages share this result page, the best at ${facts.own}.`;
    case 'hold':
      return `We stand at ${facts.own}; nothing asks for work.`;
  }
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

function percent(share: number | null): string {
  return share === null ? 'unknown size' : `${Math.round(share * 100)} %`;
}
