import fc from 'fast-check';
import { UndoStack } from './undo';

/** A text that is changed by appending; each change can be taken back. */
function written(): { stack: UndoStack; text: () => string; write: (letter: string) => void } {
  const stack = new UndoStack();
  let text = '';
  const set = (next: string) => (): Promise<void> => {
    text = next;
    return Promise.resolve();
  };
  return {
    stack,
    text: () => text,
    write: (letter) => {
      const [before, after] = [text, text + letter];
      text = after;
      stack.push({ what: `write ${letter}`, undo: set(before), redo: set(after) });
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

test('what cannot be taken back stays as done, and whoever listens is told of every step', async () => {
  const stack = new UndoStack();
  let told = 0;
  const stop = stack.listen(() => told++);
  stack.push({ what: 'x', undo: () => Promise.reject(new Error('away')), redo: () => Promise.resolve() });
  await expect(stack.undo()).rejects.toThrow('away');
  expect(stack.state()).toEqual({ undo: 'x', redo: null });
  expect(told).toBe(1);
  stop();
  stack.push({ what: 'y', undo: () => Promise.resolve(), redo: () => Promise.resolve() });
  expect(told).toBe(1);
});
