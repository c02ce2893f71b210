import { safeCell } from './safeCell';

test.each([
  ['bike bag', 'bike bag'],
  ['=1+1', "'=1+1"],
  ['  =1+1', "'  =1+1"],
  ['\u00a0@sum', "'\u00a0@sum"],
  ['+49 30', "'+49 30"],
  ['-2+3', "'-2+3"],
  // A figure is no formula.
  ['-12.5', '-12.5'],
  ['-1,200', '-1,200'],
  // Signs alone are none.
  ['-,', "'-,"],
  ['one\r\ntwo\tthree', 'one two three'],
  ['\t=1', "' =1"],
  ['', ''],
])('%j becomes %j', (text, expected) => {
  expect(safeCell(text)).toBe(expected);
});
