import { couldBeOurs } from './couldBeOurs';

const of = (kind: string, own = false) => ({ kind, own });

test.each([
  // Nothing stands there: nothing could be ours.
  [[], [], { held: 0, could: 0 }],
  // Pages and videos, none ours: one of each kind could be.
  [[of('page'), of('page'), of('video')], [], { held: 0, could: 2 }],
  // Two pages of ours count both; of a kind that is ours already nothing more could be.
  [[of('page', true), of('page', true), of('page'), of('video')], [], { held: 2, could: 3 }],
  // A block of several slots is ours when one of them is, and counts once.
  [
    [of('page', true)],
    [of('image block'), of('image block', true), of('answer box'), of('answer box')],
    { held: 2, could: 3 },
  ],
])('results %j and blocks %j', (results, blocks, expected) => {
  expect(couldBeOurs({ results, blocks })).toEqual(expected);
});
