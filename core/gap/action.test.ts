import { ABSENT } from '../ranking/position';
import { ACTIONS, type ActionFacts, suggestAction } from './action';

const A = ABSENT;

describe('action', () => {
  const facts: ActionFacts = {
    surface: 'web',
    known: true,
    ownOrganic: 14,
    doubling: false,
    phraseInTitle: false,
    chance: 0.4,
    lowChance: 0.15,
    worth: 1,
    clickCost: 2,
    covered: true,
    cannibalised: false,
  };
  test.each([
    [{ known: false }, 'capture first'],
    [{ ownOrganic: 2, doubling: true }, 'trim bid'],
    [{}, 'retitle'],
    [{ phraseInTitle: true }, 'strengthen'],
    [{ ownOrganic: 30 }, 'strengthen'],
    [{ ownOrganic: A, chance: 0.1, worth: 3 }, 'advertise'],
    [{ ownOrganic: A, covered: false }, 'new page'],
    [{ ownOrganic: A, chance: 0.3, lowChance: 0.5, worth: 3 }, 'advertise'],
    [{ ownOrganic: A, chance: 0.1, covered: false }, 'new page'],
    [{ ownOrganic: A, covered: false, surface: 'video' }, 'new video'],
    [{ ownOrganic: A, covered: false, surface: 'marketplace' }, 'new listing'],
    [{ surface: 'marketplace' }, 'add the words'],
    [{ surface: 'video' }, 'retitle'],
    [{ ownOrganic: A }, 'strengthen'],
    [{ ownOrganic: 60 }, 'strengthen'],
    [{ ownOrganic: 2, cannibalised: true }, 'merge'],
    [{ ownOrganic: 2 }, 'hold'],
  ] as [Partial<ActionFacts>, string][])('%j suggests %s', (over, expected) => {
    expect(ACTIONS[suggestAction({ ...facts, ...over })]).toBe(expected);
  });
});
