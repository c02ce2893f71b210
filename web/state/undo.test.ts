import fc from 'fast-check';
import type { Operation } from './operations';
import { type Kept, UndoStack } from './undo';

/** A text that is changed by appending; each change can be taken back. An operation says what the text becomes. */
const become = (text: string): Operation => ({ endpoint: 'become', arg: text });

function written(kept?: Kept): { stack: UndoStack; text: () => string; write: (letter: string) => void } {
  let text = '';
  const stack = new UndoStack((operation) => {
    text = (operation as { arg: string }).arg;
    return Promise.resolve(null);
  }, kept);
  return {
    stack,
    text: () => text,
    write: (letter) => {
      const [before, after] = [text, text + letter];
      text = after;
      stack.push({ what: `write ${letter}`, undo: become(before), redo: become(after) });
    },
  };
}

test('taking back and doing again walks through what was done; something new forgets what was taken back', async () => {
  const action = fc.oneof(fc.constantFrom('undo', 'redo'), fc.constantFrom('a', 'b', 'c'));
  await fc.assert(
    fc.asyncProperty(fc.array(action, { maxLength: 40 }), async (actions) => {
      const { stack, text, write } = written();
      let done: string[] = [];
      let undone: string[] = [];
      for (const entry of actions) {
        if (entry === 'undo') {
          const last = done.at(-1);
          expect(await stack.undo()).toBe(last === undefined ? null : `write ${last}`);
          if (last !== undefined) {
            done = done.slice(0, -1);
            undone = [...undone, last];
          }
        } else if (entry === 'redo') {
          const last = undone.at(-1);
          expect(await stack.redo()).toBe(last === undefined ? null : `write ${last}`);
          if (last !== undefined) {
            undone = undone.slice(0, -1);
            done = [...done, last];
          }
        } else {
          write(entry);
          done = [...done, entry];
          undone = [];
        }
        expect(text()).toBe(done.join(''));
        expect(stack.state()).toEqual({
          undo: done.length > 0 ? `write ${done.at(-1)}` : null,
          redo: undone.length > 0 ? `write ${undone.at(-1)}` : null,
        });
      }
    }),
  );
});

function memory(): Kept & { text: string | null } {
  const kept = {
    text: null as string | null,
    read: () => kept.text,
    write: (text: string) => void (kept.text = text),
  };
  return kept;
}

test('what was done can be taken back after a reload, and done again after another', async () => {
  const kept = memory();
  const before = written(kept);
  before.write('a');
  before.write('b');
  const after = written(kept);
  expect(await after.stack.undo()).toBe('write b');
  expect(after.text()).toBe('a');
  const again = written(kept);
  expect(again.stack.state()).toEqual({ undo: 'write a', redo: 'write b' });
  await again.stack.redo();
  expect(again.text()).toBe('ab');
});

test('what cannot be read any more is no hindrance', () => {
  const kept = { ...memory(), read: () => '{"done":' };
  expect(written(kept).stack.state()).toEqual({ undo: null, redo: null });
});

test('what takes a thing back may be known only once it was done', async () => {
  const run: Operation[] = [];
  const stack = new UndoStack((operation) => {
    run.push(operation);
    return Promise.resolve(become(`against ${(operation as { arg: string }).arg}`));
  });
  stack.push({ what: 'x', undo: become('undo'), redo: become('redo') });
  await stack.undo();
  await stack.redo();
  await stack.undo();
  expect(run).toEqual([become('undo'), become('against undo'), become('against against undo')]);
});

test('of several at once each knows its own way back, where it has one', async () => {
  const run: Operation[] = [];
  const stack = new UndoStack((operation) => {
    run.push(operation);
    return Promise.resolve({ all: [become('found'), null] });
  });
  stack.push({
    what: 'both',
    undo: { all: [become('a'), become('b')] },
    redo: { all: [become('c'), become('d')] },
  });
  await stack.undo();
  await stack.redo();
  expect(run[1]).toEqual({ all: [become('found'), become('d')] });
});

const failing = (error: unknown) => new UndoStack(() => Promise.reject(error as Error));
const entry = (what: string) => ({ what, undo: become(''), redo: become('') });

test.each([
  ['a thing that is gone', { status: 404, data: { code: 'no-such-list', message: 'gone' } }],
  ['somebody’s newer word', { status: 409, data: { code: 'changed-meanwhile', message: 'newer' } }],
])('%s does not stand in the way of what was done before it', async (_, error) => {
  const stack = failing(error);
  stack.push(entry('first'));
  stack.push(entry('second'));
  await expect(stack.undo()).rejects.toBe(error);
  expect(stack.state()).toEqual({ undo: 'first', redo: null });
});

test('a lost connection leaves all as it was, and whoever listens is told of every step', async () => {
  const error = { status: 'FETCH_ERROR' };
  const stack = failing(error);
  let told = 0;
  const stop = stack.listen(() => told++);
  stack.push(entry('x'));
  await expect(stack.undo()).rejects.toBe(error);
  expect(stack.state()).toEqual({ undo: 'x', redo: null });
  expect(told).toBe(1);
  stop();
  stack.push(entry('y'));
  expect(told).toBe(1);
});

test('keys pressed faster than the server answers take one thing back each, in their order', async () => {
  const run: unknown[] = [];
  const stack = new UndoStack(async (operation) => {
    await Promise.resolve();
    run.push((operation as { arg: string }).arg);
    return null;
  });
  for (const name of ['a', 'b', 'c']) stack.push({ what: name, undo: become(name), redo: become('') });
  await Promise.all([stack.undo(), stack.undo(), stack.undo()]);
  expect(run).toEqual(['c', 'b', 'a']);
});
