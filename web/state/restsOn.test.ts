import { GROUNDS } from '@opsimath/contract/api/grounds';
import { api } from './api';
import './draftsApi';
import './publishedApi';
import './watchApi';
import './filesApi';
import './gapsApi';
import './lookUpApi';
import './notesApi';
import './reportsApi';
import './frozenApi';
import './projectApi';
import './rosterApi';
import './roundsApi';
import './siftApi';
import './standingApi';
import './studyApi';
import './variantsApi';
import { CHANGES, RESTS_ON } from './restsOn';

test('every question and every change of the interface stands in the table, and nothing else does', () => {
  const endpoints = Object.entries(api.endpoints as Record<string, object>);
  const names = (kind: string): string[] =>
    endpoints.flatMap(([name, endpoint]) => (kind in endpoint ? [name] : [])).sort();
  expect(names('useQuery')).toEqual(Object.keys(RESTS_ON).sort());
  expect(names('useMutation')).toEqual(Object.keys(CHANGES).sort());
});

test('whatever can be changed is rested on by some question, or belongs to nobody’s view', () => {
  const rested = new Set(Object.values(RESTS_ON).flat());
  expect(GROUNDS.filter((ground) => !rested.has(ground as never))).toEqual(['leaves']);
});
