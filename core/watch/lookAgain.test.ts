import { dueLook } from './lookAgain';

const WAITS = [3, 7, 14];
test.each([
  ['too early', [], 102, null],
  ['the first wait is over', [], 103, { since: 103, wait: 3 }],
  ['looked at on the day', [103], 105, null],
  ['looked at too early', [101], 104, { since: 103, wait: 3 }],
  ['the next wait is over', [103], 107, { since: 107, wait: 7 }],
  ['several passed over: one look', [], 130, { since: 114, wait: 14 }],
  ['all ticked off', [120], 130, null],
  ['a look that is still to come', [140], 130, { since: 114, wait: 14 }],
])('%s', (_, looks, today, due) => expect(dueLook(100, WAITS, looks, today)).toEqual(due));
