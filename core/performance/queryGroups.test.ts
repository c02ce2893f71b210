import { QUERY_GROUPS, type QueryFacts, isInGroup } from './queryGroups';

const query: QueryFacts = {
  word: 'as expected',
  position: 4,
  impressions: 50,
  clicks: 3,
  near: false,
  listed: true,
  thin: false,
  shortfall: null,
};
const groupsOf = (more: Partial<QueryFacts>): string[] =>
  QUERY_GROUPS.filter((group) => isInGroup({ ...query, ...more }, group, { front: 10, topQuarter: 400 }));

test.each<[Partial<QueryFacts>, string[]]>([
  [{}, []],
  [{ word: 'weak snippet' }, ['weak snippet']],
  [{ word: 'weak snippet', impressions: 400 }, ['weak snippet', 'many seen, few clicks']],
  [{ word: 'strong', position: 10 }, []],
  [{ word: 'strong', position: 10.1 }, ['strong outside the front']],
  [{ word: 'strong', position: null }, []],
  [{ position: 15, impressions: 400, near: true }, ['many seen, few clicks', 'near']],
  [{ position: 15, impressions: 399 }, []],
  [{ listed: false }, ['unlisted']],
  [{ listed: false, clicks: 0 }, []],
  [{ thin: true }, ['few cases']],
  [{ shortfall: 0 }, []],
  [{ shortfall: 0.4 }, ['below the goal']],
])('a query with %j is in %j', (more, groups) => {
  expect(groupsOf(more)).toEqual(groups);
});
