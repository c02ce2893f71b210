import { DraftKeeper, type Keeping, type Send } from './draftKeeper';

const keepers: DraftKeeper[] = [];
afterEach(() => keepers.splice(0).forEach((keeper) => keeper.rest()));

function keeperWith(send: Send, kept: { text: string | null } = { text: null }) {
  const told: Keeping[] = [];
  const keeper = new DraftKeeper(
    send,
    1,
    { read: () => kept.text, write: (text) => (kept.text = text) },
    (keeping) => told.push(keeping),
  );
  keepers.push(keeper);
  return { keeper, kept, told };
}
const fields = (title: string) => ({ fields: { title } });

test('what is typed is in the browser at once, goes out as one, each on the revision before it', async () => {
  const sent: unknown[] = [];
  const { keeper, kept, told } = keeperWith((change) => {
    sent.push(change);
    return Promise.resolve({ revision: change.revision + 1 });
  });
  keeper.change(fields('a'));
  // Before anything is sent nobody is told that it is kept.
  expect(told).toEqual(['keeping']);
  keeper.change(fields('ab'));
  keeper.change({ name: 'Moor' });
  expect(JSON.parse(kept.text!)).toEqual({ revision: 1, change: { ...fields('ab'), name: 'Moor' } });
  await keeper.flush();
  keeper.change(fields('abc'));
  await keeper.flush();
  expect(sent).toEqual([
    { ...fields('ab'), name: 'Moor', revision: 1 },
    { ...fields('abc'), revision: 2 },
  ]);
  expect(kept.text).toBeNull();
  expect(told.at(-1)).toBe('kept');
});

test('what is typed while something is on its way is neither lost nor overtakes it', async () => {
  const sent: { revision: number; fields?: Record<string, string> }[] = [];
  let release: () => void = () => undefined;
  const { keeper } = keeperWith(async (change) => {
    sent.push(change);
    if (sent.length === 1) await new Promise<void>((resolve) => (release = resolve));
    return { revision: change.revision + 1 };
  });
  keeper.change(fields('a'));
  const first = keeper.flush();
  keeper.change(fields('ab'));
  const second = keeper.flush();
  expect(sent.length).toBe(1);
  release();
  await Promise.all([first, second]);
  expect(sent.map(({ revision, fields: of }) => [revision, of!.title])).toEqual([
    [1, 'a'],
    [2, 'ab'],
  ]);
});

test('with the server away it stays in the browser, and another window goes on from there', async () => {
  const kept: { text: string | null } = { text: null };
  const away = keeperWith(() => Promise.resolve({ away: true }), kept);
  away.keeper.change(fields('typed on the train'));
  await away.keeper.flush();
  expect(away.told.at(-1)).toBe('waiting');
  const sent: unknown[] = [];
  const back = keeperWith((change) => {
    sent.push(change);
    return Promise.resolve({ revision: 2 });
  }, kept);
  expect(back.keeper.unsent()).toEqual(fields('typed on the train'));
  await back.keeper.flush();
  expect(sent).toEqual([{ ...fields('typed on the train'), revision: 1 }]);
  expect(kept.text).toBeNull();
  // On a newer revision it is somebody else's text by now: nothing is laid over it.
  kept.text = JSON.stringify({ revision: 7, change: fields('old') });
  expect(keeperWith(() => Promise.resolve({ revision: 2 }), kept).keeper.unsent()).toEqual({});
});

test('what somebody else was faster with is said once, and nothing is sent over it', async () => {
  let sends = 0;
  const { keeper, told, kept } = keeperWith(() => {
    sends++;
    return Promise.resolve({ clash: 'Bo has changed this draft' });
  });
  keeper.change(fields('mine'));
  await keeper.flush();
  keeper.change(fields('mine still'));
  await keeper.flush();
  expect(sends).toBe(1);
  expect(told.at(-1)).toEqual({ clash: 'Bo has changed this draft' });
  expect(JSON.parse(kept.text!)).toMatchObject({ change: fields('mine still') });
});
