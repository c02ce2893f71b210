import { type IncomingMessage, type Server, type ServerResponse, createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { httpSource } from './httpSource';

type Answer = (response: ServerResponse, request: IncomingMessage) => void;
let server: Server;
let answers: Answer[];
let asked: number[];

beforeEach(async () => {
  answers = [];
  asked = [];
  server = createServer((request, response) => {
    asked.push(performance.now());
    (answers.shift() ?? good)(response, request);
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
});
afterEach(() => {
  server.closeAllConnections();
  return new Promise((resolve) => server.close(resolve));
});

const json = (response: ServerResponse, status: number, body: unknown, headers = {}): void => {
  response.writeHead(status, { 'content-type': 'application/json', ...headers }).end(JSON.stringify(body));
};
const good: Answer = (response) => json(response, 200, { today: '2026-03-14' });
const source = (over = {}) =>
  httpSource({
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    // Longer than any answer takes on a busy machine; the test of a late answer sets its own.
    timeoutMs: 60_000,
    retries: 3,
    firstDelayMs: 5,
    ...over,
  });

const silent: Answer = () => undefined;

test.each<[string, Answer]>([
  ['an error of the service', (response) => json(response, 500, {})],
  ['an answer that breaks off', (response) => response.end('{"today": "2026-')],
  ['an answer of another shape', (response) => json(response, 200, { today: 'soon' })],
  ['a connection that is cut', (response) => void response.destroy()],
  ['no answer in time', silent],
])('%s is asked again', async (_, fault) => {
  answers = [fault, fault];
  const late = fault === silent;
  expect(await source(late ? { timeoutMs: 3000 } : {}).today()).toBe('2026-03-14');
  expect(asked).toHaveLength(3);
});

test('a service that asks to wait is given the time it asked for', async () => {
  answers = [(response) => json(response, 429, {}, { 'retry-after': '1' })];
  expect(await source().today()).toBe('2026-03-14');
  expect(asked[1]! - asked[0]!).toBeGreaterThanOrEqual(990);
});

test('a refusal is not asked again, and its reason is passed on', async () => {
  answers = [(response) => json(response, 402, { code: 'allowance-spent', message: 'No units are left.' })];
  await expect(source().today()).rejects.toMatchObject({
    code: 'allowance-spent',
    status: 402,
    message: 'No units are left.',
  });
  expect(asked).toHaveLength(1);
});

test('after all tries the problem says how many there were, why, and what to do', async () => {
  answers = Array.from({ length: 9 }, () => (response: ServerResponse) => json(response, 503, {}));
  await expect(source().today()).rejects.toMatchObject({
    code: 'services-unreachable',
    message: 'The search services did not answer after 4 tries: status 503.',
    todo: expect.stringContaining('kept'),
  });
});

test('nobody listening is no crash but a problem', async () => {
  await expect(source({ url: 'http://127.0.0.1:1', retries: 0 }).today()).rejects.toMatchObject({
    code: 'services-unreachable',
  });
});

test('a cancelled request ends at once and is not tried again', async () => {
  answers = [() => undefined];
  const controller = new AbortController();
  const asking = source({ timeoutMs: 20_000 }).resultPages({
    market: 'm',
    date: '2026-03-14',
    depth: 10,
    keywords: ['x'],
    signal: controller.signal,
  });
  controller.abort(new Error('cancelled'));
  await expect(asking).rejects.toThrow(/cancelled|abort/i);
  expect(asked.length).toBeLessThanOrEqual(1);
});

const row = { keyword: 'panniers', address: 'a.example/x', organic: 3, paid: null };
const walkPage =
  (rows: unknown[], from: string | null = null): Answer =>
  (response) =>
    json(response, 200, { date: '2026-03-14', units: 1, total: null, cursor: null, from, rows });
const ask = (cursor: string | null = null) =>
  source().rankings({
    market: 'm',
    date: '2026-03-14',
    target: 'a.example',
    kind: 'both',
    depth: 100,
    leastVolume: 0,
    cursor,
  });

test('rows that make no sense are asked for again, then left out and counted', async () => {
  const nonsense = [row, { ...row, organic: -4 }, { ...row, keyword: '' }, 'nonsense', null];
  answers = Array.from({ length: 9 }, () => walkPage(nonsense));
  expect(await ask()).toMatchObject({ rows: [row], senseless: 4 });
  expect(asked).toHaveLength(9);
});

test('a row that comes right the second time is not lost, and both tries are one request to pay for', async () => {
  const other = { ...row, keyword: 'frame bag' };
  const ids: unknown[] = [];
  const noting =
    (answer: Answer): Answer =>
    (response, request) => {
      ids.push(request.headers['x-request-id']);
      answer(response, request);
    };
  answers = [
    noting(walkPage([row, { ...other, organic: -1 }])),
    noting(walkPage([{ ...row, paid: 9999 }, other])),
  ];
  expect(await ask()).toMatchObject({ rows: [row, other], senseless: 0 });
  expect(new Set(ids).size).toBe(1);
});

test('a skipped or repeated page is noticed and the right one asked for', async () => {
  answers = [walkPage([], '40'), walkPage([row], null), walkPage([row], '20')];
  expect((await ask('20')).rows).toEqual([row]);
  expect(asked).toHaveLength(3);
  answers = Array.from({ length: 9 }, () => walkPage([row], '40'));
  await expect(ask('20')).rejects.toMatchObject({ code: 'pages-missing' });
});
