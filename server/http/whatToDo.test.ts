import type { Dossier } from '@opsimath/contract/api/dossier';
import type { GapPage, GapRow } from '@opsimath/contract/api/gaps';
import type { TargetCoverage } from '@opsimath/contract/api/coverage';
import type { WhatToDo } from '@opsimath/contract/api/whatToDo';
import { BEFORE, DATE, MARKET, OWN, RIVALS, Running } from '../testing/running';

const SCOPE = `market=${MARKET}&date=${DATE}&compare=${BEFORE}`;
let running: Running;
let at: string;
let rows: Map<number, GapRow>;

beforeAll(async () => {
  running = await Running.start();
  at = (await running.project()).at;
  await running.compared(at, 150);
  rows = new Map((await allRows(SCOPE)).map((row) => [row.id, row]));
});
afterAll(() => running.stop());

async function allRows(scope: string): Promise<GapRow[]> {
  const found: GapRow[] = [];
  for (let offset = 0; ; offset += 500) {
    const page: GapPage = await running.api.get(`${at}/gaps?${scope}&limit=500&offset=${offset}`);
    found.push(...page.rows);
    if (page.rows.length < 500) return found;
  }
}
const work = (more = '', scope = SCOPE): Promise<WhatToDo> =>
  running.api.get(`${at}/what-to-do?${scope}&limit=500${more}`);
const dossierOf = (id: number): Promise<Dossier> => running.api.get(`${at}/keywords/${id}/dossier?${SCOPE}`);

describe('what to do', () => {
  test('no keyword wins twice, no target gets two titles, the most for a day of work stands first', async () => {
    const { lines, total, value, days, first } = await work();
    expect(lines.length).toBeGreaterThan(5);
    expect(total).toBe(lines.length);
    const winners = lines.flatMap(({ serves }) => serves.filter(({ clicks }) => clicks > 0));
    expect(new Set(winners.map(({ id }) => id)).size).toBe(winners.length);
    const titled = lines.flatMap(({ action, target }) => (action === 'retitle' ? target!.address : []));
    expect(new Set(titled).size).toBe(titled.length);
    lines.forEach((line, n) => {
      expect(line.value).toBeGreaterThan(0);
      expect(line.priority).toBeCloseTo(line.value / line.effort, 9);
      if (n > 0) expect(line.priority).toBeLessThanOrEqual(lines[n - 1]!.priority + 1e-9);
      expect(line.low).toBeLessThanOrEqual(line.high);
    });
    const sum = (of: readonly { value: number }[]): number => of.reduce((all, one) => all + one.value, 0);
    expect(value).toBeCloseTo(sum(lines), 6);
    expect(days).toBeCloseTo(
      lines.reduce((all, { effort }) => all + effort, 0),
      6,
    );
    expect(first!.value).toBeCloseTo(sum(lines.slice(0, 20)), 6);
    expect(first!.low).toBeLessThan(first!.high);
  });

  test('a title has its lead whole, and the page that it is for; what is not done keeps nothing to do', async () => {
    const { lines } = await work();
    for (const { action, lead, title, target } of lines) {
      const row = rows.get(lead.id)!;
      expect(['hold', 'merge', 'capture first']).not.toContain(action);
      if (action !== 'retitle') continue;
      expect(title!.toLowerCase().startsWith(lead.text)).toBe(true);
      expect(target!.address.startsWith(OWN)).toBe(true);
      if (row.ownAddress !== null) expect(target!.address).toBe(row.ownAddress);
    }
  });

  test('the first line is the first row: same action, value and keywords elsewhere', async () => {
    const { lines } = await work();
    const line = lines.find(({ action }) => action === 'retitle')!;
    const row = rows.get(line.lead.id)!;
    expect([row.action, row.priority]).toEqual([line.action, expect.closeTo(line.priority, 6)]);
    const lead = line.serves.find(({ id }) => id === row.id)!;
    expect(lead.clicks).toBeCloseTo(row.gain!, 6);
    expect(line.clicks - lead.clicks).toBeCloseTo(
      row.elsewhere === null ? 0 : row.elsewhere.won.clicks - row.elsewhere.lost.clicks,
      2,
    );
  });

  test('filters of the table narrow it by the keywords that lead, and a smaller scope shows the same figures', async () => {
    const all = await work();
    const retitles = await work('&actions=retitle');
    expect(retitles.lines.length).toBeGreaterThan(0);
    const known = new Map(all.lines.map((line) => [`${line.action} ${line.lead.id}`, line]));
    for (const line of retitles.lines) {
      expect(rows.get(line.lead.id)!.action).toBe('retitle');
      expect(line).toEqual(known.get(`${line.action} ${line.lead.id}`));
    }
    const chosen = retitles.lines.slice(0, 3).map(({ lead }) => lead.id);
    await running.api.post(`${at}/tracked`, { keywords: chosen });
    const tracked = await work('', `${SCOPE}&only=tracked`);
    expect(tracked.lines.map(({ lead }) => lead.id)).toEqual(expect.arrayContaining(chosen));
    const few = await allRows(`${SCOPE}&only=tracked`);
    await running.api.delete(`${at}/tracked`, { keywords: chosen });
    for (const row of few) {
      const whole = rows.get(row.id)!;
      expect([row.worthAMonth, row.elsewhere]).toEqual([whole.worthAMonth, whole.elsewhere]);
    }
  });
});

test('another action is chosen with who and when; order follows; taken back all is as before', async () => {
  const row = [...rows.values()].find(({ id, priority, chosen }) => priority !== null && !chosen && id > 0)!;
  const open = await dossierOf(row.id);
  const other = open.alternatives.find(({ action, value }) => action !== row.action && value !== null);
  const candidates = other
    ? [{ row, other }]
    : await Promise.all(
        [...rows.values()]
          .filter(({ priority }) => priority !== null)
          .slice(0, 40)
          .map(async (one) => ({
            row: one,
            other: (await dossierOf(one.id)).alternatives.find(
              ({ action, value }) => action !== one.action && value !== null,
            ),
          })),
      );
  const found = candidates.find((one) => one.other !== undefined)!;
  const choose = (action: string | null) =>
    running.api.put(`${at}/keywords/${found.row.id}/action`, { action, person: 'Ada' });
  await choose(found.other!.action);
  const chosen = await dossierOf(found.row.id);
  expect(chosen.choice).toMatchObject({ action: found.other!.action, person: 'Ada' });
  expect(chosen.choice!.at).toMatch(/^\d{4}-\d\d-\d\dT/);
  expect([chosen.row.action, chosen.row.chosen, chosen.row.worthAMonth]).toEqual([
    found.other!.action,
    true,
    found.other!.value,
  ]);
  const order = (await allRows(SCOPE)).map(({ id }) => id);
  const before = [...rows.keys()];
  expect(order.indexOf(found.row.id)).toBeGreaterThanOrEqual(before.indexOf(found.row.id));
  const lines = (await work()).lines.filter(({ lead }) => lead.id === found.row.id);
  for (const { action } of lines) expect(action).toBe(found.other!.action);
  await choose(null);
  expect(await dossierOf(found.row.id)).toMatchObject({ choice: null, row: rows.get(found.row.id) });
  await expect(running.api.put(`${at}/keywords/999999/action`, { action: 'retitle' })).rejects.toThrow(
    /not known/,
  );
  await expect(choose('dance')).rejects.toThrow(/not as expected/);
});

test('defence is what we hold and are expected to lose, and is no thing to do', async () => {
  const { rows: held, total } = (await running.api.get(
    `${at}/gaps?${SCOPE}&marks=defence&sort=-to lose&limit=100`,
  )) as GapPage;
  const expected = [...rows.values()].filter(
    ({ own, movement, asIs, figures }) =>
      typeof own === 'number' &&
      own <= 10 &&
      figures['to lose']! > 0 &&
      (movement === 'slipping' || asIs! < 0.5),
  );
  expect(expected.length).toBeGreaterThan(0);
  expect(total).toBe(expected.length);
  held.forEach((row, n) => {
    expect(expected.map(({ id }) => id)).toContain(row.id);
    if (n > 0) expect(row.figures['to lose']!).toBeLessThanOrEqual(held[n - 1]!.figures['to lose']!);
  });
});

describe('coverage of a target', () => {
  const covered = async (target: number, more: object = {}): Promise<TargetCoverage> =>
    running.api.post(`${at}/targets/${target}/coverage`, { market: MARKET, date: DATE, ...more });

  test('of ours and of a rival’s: words that keywords need, in which field they are, and what lacks them', async () => {
    const targets = (await running.api.get(`${at}/targets`)) as { id: number; side: string }[];
    for (const side of ['own', 'rival']) {
      const target = targets.find((one) => one.side === side)!;
      const answer = await covered(target.id, { keywords: 'rivals' });
      expect(answer.fields.map(({ name }) => name)).toEqual(expect.arrayContaining(['title']));
      expect(answer.compared).toBeGreaterThan(20);
      expect(answer.counts.reduce((sum, count) => sum + count, 0)).toBe(answer.compared);
      for (const { fields } of answer.words) expect(fields).toHaveLength(answer.fields.length);
      for (const { text, missing } of answer.keywords)
        for (const word of missing) expect(text.split(' ')).toContain(word);
    }
  });

  test('pasted slots are a field, and what they say is lacking no more', async () => {
    const targets = (await running.api.get(`${at}/targets`)) as { id: number; side: string }[];
    const own = targets.find(({ side }) => side === 'own')!.id;
    const before = await covered(own, { keywords: 'rivals' });
    const lacking = before.words.find(({ fields }) => fields.every((presence) => presence === 'missing'))!;
    const after = await covered(own, { keywords: 'rivals', hidden: `${lacking.word}\nanything` });
    expect(after.fields.at(-1)).toEqual({ name: 'pasted slots', words: 2 });
    expect(after.words.find(({ word }) => word === lacking.word)!.fields.at(-1)).toBe('as typed');
    await expect(covered(own, { keywords: 'list' })).rejects.toThrow(/which list/);
    expect((await covered(own, { keywords: 'own' })).compared).toBeGreaterThan(0);
    expect((await covered(own)).compared).toBeLessThanOrEqual(before.total);
  });
});

test('a keyword with a word not to be used, or a rival’s name, weighs less until somebody judges it', async () => {
  const { id, at: there } = await running.project();
  await running.compared(there, 30);
  const project = await running.api.get(`/projects/${id}`);
  const { fits } = project.settings;
  const all = async (): Promise<GapRow[]> =>
    ((await running.api.get(`${there}/gaps?${SCOPE}&limit=500&sort=-demand`)) as GapPage).rows;
  const before = await all();
  const holding = (rows: readonly GapRow[], word: string): GapRow[] =>
    rows.filter(({ text }) => text.split(' ').includes(word));
  const counts = new Map<string, number>();
  for (const { text } of before)
    for (const word of new Set(text.split(' '))) counts.set(word, (counts.get(word) ?? 0) + 1);
  const [forbidden, doubtful] = [...counts]
    .filter(([word, count]) => word.length > 3 && count >= 2 && count < before.length / 4)
    .sort((a, b) => b[1] - a[1])
    .map(([word]) => word);
  await running.api.post(`${there}/banned-words`, { text: forbidden, level: 'forbidden' });
  await running.api.post(`${there}/banned-words`, { text: doubtful, level: 'doubtful' });
  const after = await all();
  for (const row of after) {
    const words = row.text.split(' ');
    const fit = words.includes(forbidden!)
      ? fits.off
      : words.includes(doubtful!) || RIVALS.some((rival) => row.text.includes(rival.split('.')[0]!))
        ? fits.adjacent
        : fits.unjudged;
    if (row.parts !== null) expect([row.text, row.parts.fit]).toEqual([row.text, fit]);
  }
  // Who judges it has seen what it holds.
  const judged = holding(before, forbidden!).find(({ parts }) => parts !== null)!;
  expect(after.find((row) => row.id === judged.id)!.parts?.fit ?? 0).toBe(fits.off);
  await running.api.post(`${there}/verdicts`, { changes: [{ keyword: judged.id, verdict: 'fit' }] });
  expect((await all()).find((row) => row.id === judged.id)!.parts!.fit).toBe(fits.fit);
});
