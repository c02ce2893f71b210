import { DATE, MARKET, OWN, Running } from '../testing/running';

/** Whatever is sent to whichever route: a refusal that says why, never a failure of ours, and nothing is broken after. */
let running: Running;
let project: { id: number; at: string };
interface Operation {
  method: string;
  path: string;
  hasBody: boolean;
  parameters: { name: string; in: string }[];
}
let operations: Operation[];

beforeAll(async () => {
  running = await Running.start();
  project = await running.project();
  const started = await running.api.post(`${project.at}/look-ups`, {
    market: MARKET,
    date: DATE,
    targets: [OWN],
    extent: 'positions',
  });
  await running.api.finished(started.job.id);
  const { paths } = await running.api.get('/openapi.json');
  operations = Object.entries(paths as Record<string, Record<string, Shape>>).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, shape]) => ({
      method,
      path,
      hasBody: shape.requestBody !== undefined,
      parameters: shape.parameters,
    })),
  );
});
afterAll(() => running.stop());
interface Shape {
  requestBody?: unknown;
  parameters: { name: string; in: string }[];
}

const HUGE = 'ß'.repeat(100_000);
const VALUES: unknown[] = [
  null,
  -1,
  1e308,
  '',
  '   ',
  '\u0000',
  "'; DROP TABLE keyword; --",
  '‮אבג 🚲',
  HUGE,
  [],
  {},
  [null],
  [[]],
  { a: { b: { c: [] } } },
  true,
  '2026-02-31',
];
const BODIES: string[] = [
  ...VALUES.map((value) => JSON.stringify(value)),
  '{',
  '',
  'not json',
  '{"__proto__":{"polluted":true},"constructor":{"prototype":{"polluted":true}}}',
  `{"name":${'['.repeat(5000)}${']'.repeat(5000)}}`,
];

/** The path with ids put in: those of the project, or some that nobody has. */
function filled(path: string, ids: 'ours' | 'nobody’s' | 'none at all'): string {
  let first = true;
  return path.replace(/\{\w+\}/g, () => {
    const id = ids === 'ours' ? (first ? project.id : 1) : ids === 'nobody’s' ? 987_654 : '0x1';
    first = false;
    return String(id);
  });
}

async function send(
  operation: Operation,
  path: string,
  body?: string,
): Promise<{ status: number; text: string }> {
  const response = await fetch(`${running.server.url}${path}`, {
    method: operation.method.toUpperCase(),
    headers: { 'content-type': 'application/json' },
    body: operation.method === 'get' ? undefined : body,
    signal: AbortSignal.timeout(600_000),
  });
  // Streams of events stay open: their beginning is enough.
  if ((response.headers.get('content-type') ?? '').startsWith('text/event-stream')) {
    await response.body?.cancel();
    return { status: response.status, text: '' };
  }
  return { status: response.status, text: await response.text() };
}

const named = (operation: Operation): string => `${operation.method.toUpperCase()} ${operation.path}`;
/** Each failure once, however often it was met. */
const failures = new Set<string>();
function note(what: string, { status, text }: { status: number; text: string }): void {
  if (status >= 500) failures.add(`${what}: ${status} ${text.slice(0, 200)}`);
  if (status >= 400 && !reasonOf(text)) failures.add(`${what}: no reason`);
}
/** What is said to a program, or, where people read it, on a page. */
function reasonOf(text: string): string | undefined {
  return text.startsWith('<!doctype html>')
    ? /<p>([^<]+)<\/p>/.exec(text)?.[1]
    : (JSON.parse(text) as { message?: string }).message;
}
beforeEach(() => failures.clear());

test('every route is known, and each has a summary', () => {
  expect(operations.length).toBeGreaterThan(50);
  expect(new Set(operations.map(named)).size).toBe(operations.length);
});

test('bodies that make no sense are refused with a reason', async () => {
  for (const operation of operations.filter(({ hasBody }) => hasBody)) {
    for (const body of BODIES)
      note(
        `${named(operation)} with ${body.slice(0, 40)}`,
        await send(operation, filled(operation.path, 'ours'), body),
      );
  }
  expect([...failures]).toEqual([]);
});

test('each field by itself may be anything', async () => {
  for (const operation of operations.filter(({ hasBody }) => hasBody)) {
    const fields = [
      'market',
      'date',
      'targets',
      'text',
      'name',
      'subject',
      'reading',
      'keywords',
      'side',
      'settings',
    ];
    for (const field of fields)
      for (const value of VALUES)
        note(
          `${named(operation)} ${field}`,
          await send(operation, filled(operation.path, 'ours'), JSON.stringify({ [field]: value })),
        );
  }
  expect([...failures]).toEqual([]);
});

test('questions with parameters that make no sense are refused or answered, never broken', async () => {
  for (const operation of operations.filter(({ method }) => method === 'get')) {
    for (const { name, in: place } of operation.parameters) {
      if (place !== 'query') continue;
      for (const value of ['', '-1', '1e99', "'--", '%', '🚲', '2026-02-31', 'x'.repeat(3000)]) {
        const query = new URLSearchParams({ market: MARKET, date: DATE, [name]: value });
        note(
          `${named(operation)} ${name}=${value}`,
          await send(operation, `${filled(operation.path, 'ours')}?${query}`),
        );
      }
    }
  }
  expect([...failures]).toEqual([]);
});

test.each(['nobody’s', 'none at all'] as const)('ids that are %s are said to be so', async (ids) => {
  for (const operation of operations) {
    if (!operation.path.includes('{')) continue;
    const query = operation.method === 'get' ? `?market=${MARKET}&date=${DATE}` : '';
    const answer = await send(
      operation,
      `${filled(operation.path, ids)}${query}`,
      operation.hasBody ? '{}' : undefined,
    );
    note(named(operation), answer);
    if (ids === 'none at all' && answer.status < 400) failures.add(`${named(operation)} took 0x1 for an id`);
  }
  expect([...failures]).toEqual([]);
});

test('addresses that are no routes are not the interface’s', async () => {
  for (const path of ['/api/', '/api/nothing', '/api/projects/1/nothing', '/api/../etc/passwd%00']) {
    const response = await fetch(`${running.server.url}${path}`);
    expect(response.headers.get('content-type') ?? '').not.toMatch(/html/);
  }
});

test('after all this the project is as it was', async () => {
  const { rows } = await running.api.get(`${project.at}/gaps?market=${MARKET}&date=${DATE}&limit=5`);
  expect(rows).toHaveLength(5);
  expect(({} as { polluted?: boolean }).polluted).toBeUndefined();
  const targets = await running.api.get(`${project.at}/targets`);
  expect(targets.map(({ address }: { address: string }) => address)).toContain(OWN);
});
