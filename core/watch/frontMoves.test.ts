import { frontMoves } from './frontMoves';

test.each([
  ['stays', [3, 4, 5, 4, 3, 5], []],
  ['left and stays off', [3, 4, 5, 15, 18, 16], [{ move: 'left', at: 3 }]],
  ['absent is off', [3, 4, 5, 255, 255], [{ move: 'left', at: 3 }]],
  ['came and stays', [255, 40, 30, 9, 8, 7], [{ move: 'came', at: 3 }]],
  ['a wobble of one capture', [3, 4, 5, 15, 4, 3], []],
  ['too new to count', [3, 4, 5, 15], []],
  ['unsteady before', [3, 15, 5, 15, 18], []],
  ['unknown days are passed over', [3, 0, 4, 5, 0, 15, 0, 18], [{ move: 'left', at: 5 }]],
  [
    'there and back',
    [3, 4, 5, 15, 18, 19, 4, 3],
    [
      { move: 'left', at: 3 },
      { move: 'came', at: 6 },
    ],
  ],
])('%s', (_, positions, moves) => expect(frontMoves(positions, 10, 2)).toEqual(moves));

test('the more captures must agree after it, the more must before it', () => {
  const positions = [15, 3, 3, 3, 15, 15, 15, 15];
  expect(frontMoves(positions, 10, 3)).toEqual([{ move: 'left', at: 4 }]);
  expect(frontMoves(positions, 10, 4)).toEqual([]);
});
