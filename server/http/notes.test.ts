import { MARKET, OWN, RIVALS, Running, DATE } from '../testing/running';

let running: Running;
beforeAll(async () => {
  running = await Running.start();
});
afterAll(() => running.stop());

interface Note {
  id: number;
  about: string;
  text: string;
  person: string;
  market: string | null;
  subject: Record<string, unknown>;
}

/** A project with a pool, and a keyword of it. */
async function withPool(): Promise<{
  at: string;
  id: number;
  lookUp: number;
  keyword: { id: number; text: string };
}> {
  const { at, id } = await running.project();
  const started = await running.api.post(`${at}/look-ups`, {
    market: MARKET,
    date: DATE,
    targets: [OWN, ...RIVALS],
    extent: 'positions',
  });
  await running.api.finished(started.job.id);
  const { rows } = await running.api.get(`/look-ups/${started.id}/keywords?limit=3`);
  return { at, id, lookUp: started.id, keyword: rows[1] };
}

const note = async (at: string, subject: object, text: string, person = ''): Promise<Note[]> =>
  running.api.post(`${at}/notes`, { subject, text, person });

test('notes stand on a keyword, a target, a word and a slot, the newest first, and say what they are about', async () => {
  const { at, keyword } = await withPool();
  const [target] = await running.api.get(`${at}/targets`);
  await note(at, { on: 'keyword', keyword: keyword.id }, 'buyers, not readers', 'Ines');
  await note(at, { on: 'target', target: target.id }, 'sells only in spring');
  await note(at, { on: 'word', word: 'Für  Räder' }, 'the second audience');
  const slot = { on: 'slot', keyword: keyword.id, date: DATE, address: 'rovelot.example/a' };
  const notes = await note(at, slot, 'an old article\nstill on top');
  expect(notes.map(({ about, text, person, market }) => ({ about, text, person, market }))).toEqual([
    {
      about: `rovelot.example/a for ${keyword.text}, ${DATE}`,
      text: 'an old article\nstill on top',
      person: '',
      market: MARKET,
    },
    { about: 'für räder', text: 'the second audience', person: '', market: null },
    { about: target.name, text: 'sells only in spring', person: '', market: null },
    { about: keyword.text, text: 'buyers, not readers', person: 'Ines', market: MARKET },
  ]);
  expect(notes[0]!.subject).toEqual(slot);
  expect(await running.api.get(`${at}/notes`)).toEqual(notes);
});

test('a note can be said differently and taken away; another project neither sees nor touches it', async () => {
  const { at, keyword } = await withPool();
  const { at: other } = await running.project();
  const subject = { on: 'keyword', keyword: keyword.id };
  const [first] = await note(at, subject, 'first');
  expect(await running.api.get(`${other}/notes`)).toEqual([]);
  await expect(running.api.patch(`${other}/notes/${first!.id}`, { text: 'not mine' })).rejects.toThrow(
    /no note/,
  );
  await running.api.delete(`${other}/notes/${first!.id}`);
  expect(await running.api.patch(`${at}/notes/${first!.id}`, { text: 'second thoughts' })).toMatchObject([
    { id: first!.id, text: 'second thoughts' },
  ]);
  expect(await running.api.delete(`${at}/notes/${first!.id}`)).toEqual([]);
});

test.each([
  ['no words', { subject: { on: 'word', word: 'x' }, text: '  ' }, /a note needs words/],
  ['a word of marks only', { subject: { on: 'word', word: '!!!' }, text: 'a' }, /letter or number/],
  [
    'a keyword that is not there',
    { subject: { on: 'keyword', keyword: 999_999_999 }, text: 'a' },
    /no such keyword/,
  ],
  ['a target that is not there', { subject: { on: 'target', target: 999_999 }, text: 'a' }, /no such target/],
  ['nothing', { subject: { on: 'sky' }, text: 'a' }, /not as expected/],
  [
    'no day',
    { subject: { on: 'slot', keyword: 1, date: 'soon', address: 'a' }, text: 'a' },
    /not as expected/,
  ],
])('a note on %s is refused and nothing is kept', async (_, body, reason) => {
  const { at } = await running.project();
  await expect(running.api.post(`${at}/notes`, body)).rejects.toThrow(reason);
  expect(await running.api.get(`${at}/notes`)).toEqual([]);
});

test('a target’s notes go with it; a keyword’s are in the files of pool and gaps', async () => {
  const { at, lookUp, keyword } = await withPool();
  const targets = await running.api.get(`${at}/targets`);
  const gone = targets.find(({ address }: { address: string }) => address === RIVALS[0]);
  await note(at, { on: 'target', target: gone.id }, 'goes');
  await note(at, { on: 'keyword', keyword: keyword.id }, '=buckle, "roll top"', 'Ines');
  await note(at, { on: 'keyword', keyword: keyword.id }, 'and again');
  await running.api.delete(`${at}/targets/${gone.id}`);
  const left = (await running.api.get(`${at}/notes`)) as Note[];
  expect(left.map(({ text }) => text)).toEqual(['and again', '=buckle, "roll top"']);
  for (const file of [
    `/look-ups/${lookUp}/keywords.file?format=csv`,
    `${at}/gaps.csv?market=${MARKET}&date=${DATE}`,
  ]) {
    const text = await (await fetch(`${running.server.url}/api${file}`)).text();
    const line = text.split(/\r?\n/).find((entry) => entry.startsWith(`${keyword.text},`));
    expect(line).toMatch(/'=buckle, ""roll top"" \(Ines, \d{4}-\d\d-\d\d\); and again \(\d{4}-\d\d-\d\d\)"$/);
  }
});

test('a project archive brings notes back to the same things', async () => {
  const { at, id, keyword } = await withPool();
  const targets = await running.api.get(`${at}/targets`);
  await note(at, { on: 'keyword', keyword: keyword.id }, 'of the keyword', 'Ines');
  await note(at, { on: 'target', target: targets[1].id }, 'of the target');
  await note(at, { on: 'word', word: 'strap' }, 'of the word');
  const archive = await fetch(`${running.server.url}/api/projects/${id}/archive`);
  const { project, job } = await running.api.upload('/archives', Buffer.from(await archive.arrayBuffer()));
  await running.api.finished(job.id);
  const notes = (await running.api.get(`/projects/${project.id}/notes`)) as Note[];
  expect(notes.map(({ about, text, person }) => [about, text, person])).toEqual([
    ['strap', 'of the word', ''],
    [targets[1].name, 'of the target', ''],
    [keyword.text, 'of the keyword', 'Ines'],
  ]);
});
