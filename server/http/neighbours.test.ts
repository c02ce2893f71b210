import http from 'node:http';
import { gzipSync } from 'node:zlib';
import { Running } from '../testing/running';

/** Web pages elsewhere, other names for this machine, bodies that are not what they say: none gets in. */
let running: Running;
beforeAll(async () => {
  running = await Running.start(['--allowed-host', 'opsimath.example']);
});
afterAll(() => running.stop());

/** A request with heads as they are given: fetch sets some of its own. */
function send(
  method: string,
  path: string,
  heads: Record<string, string>,
  body: string | Buffer = '',
): Promise<{ status: number; code: string }> {
  const { port } = new URL(running.server.url);
  return new Promise((resolve, reject) => {
    const request = http.request(
      {
        host: '127.0.0.1',
        port,
        method,
        path: `/api${path}`,
        headers: { 'content-length': Buffer.byteLength(body), ...heads },
      },
      (answer) => {
        let text = '';
        answer.on('data', (piece) => (text += String(piece)));
        answer.on('end', () =>
          resolve({ status: answer.statusCode!, code: (JSON.parse(text) as { code: string }).code }),
        );
      },
    );
    request.on('error', reject);
    request.end(body);
  });
}
const JSON_TYPE = { 'content-type': 'application/json' };
const NEW = JSON.stringify({ name: 'New' });
const own = (): string => running.server.url;

test.each([
  '127.0.0.1:1234',
  'localhost',
  'LOCALHOST:80',
  '127.3.2.1',
  '[::1]:99',
  'opsimath.example',
  'opsimath.example:80',
])('it is called %s', async (host) => expect((await send('GET', '/projects', { host })).status).toBe(200));

test.each([
  'elsewhere.example',
  '127.0.0.1.elsewhere.example',
  'localhost.elsewhere.example',
  '0.0.0.0',
  '10.0.0.1',
])('it is not called %s', async (host) =>
  expect(await send('GET', '/projects', { host })).toEqual({ status: 403, code: 'strange-host' }),
);

test('a page of the application may change things, and so may a program', async () => {
  expect((await send('POST', '/projects', { ...JSON_TYPE, origin: own() }, NEW)).status).toBe(200);
  expect(
    (await send('POST', '/projects', { ...JSON_TYPE, 'sec-fetch-site': 'same-origin' }, NEW)).status,
  ).toBe(200);
  expect((await send('POST', '/projects', JSON_TYPE, NEW)).status).toBe(200);
});

test.each([
  [{ origin: 'https://elsewhere.example' }],
  [{ origin: 'null' }],
  [{ origin: 'http://127.0.0.1:1' }],
  [{ 'sec-fetch-site': 'cross-site' }],
  [{ 'sec-fetch-site': 'same-site' }],
  [{ 'sec-fetch-site': 'none' }],
])('a page with %j may not', async (heads) => {
  for (const [method, path] of [
    ['POST', '/projects'],
    ['POST', '/archives'],
    ['PATCH', '/projects/1'],
    ['DELETE', '/projects/1/tracked'],
    ['PUT', '/projects/1/readings'],
  ] as const)
    expect(
      await send(method, path, { ...JSON_TYPE, ...heads } as unknown as Record<string, string>, NEW),
    ).toEqual({
      status: 403,
      code: 'strange-origin',
    });
});

test('what a form of any page could send is not taken', async () => {
  for (const type of [
    'text/plain',
    'application/x-www-form-urlencoded',
    'multipart/form-data; boundary=x',
    '',
  ])
    expect(await send('POST', '/archives', type === '' ? {} : { 'content-type': type }, 'x')).toEqual({
      status: 415,
      code: 'wrong-type',
    });
});

test('a body that is not packed as it says is refused, and one that is is read', async () => {
  const heads = { ...JSON_TYPE, 'content-encoding': 'gzip' };
  expect(await send('POST', '/projects', heads, NEW)).toEqual({ status: 400, code: 'wrong-encoding' });
  expect((await send('POST', '/projects', heads, gzipSync(NEW))).status).toBe(200);
  expect(await send('POST', '/projects', { ...JSON_TYPE, 'content-encoding': 'strange' }, NEW)).toEqual({
    status: 400,
    code: 'wrong-encoding',
  });
  const file = { 'content-type': 'application/octet-stream', 'content-encoding': 'gzip' };
  expect(await send('POST', '/archives', file, gzipSync('{}'))).toEqual({
    status: 400,
    code: 'wrong-encoding',
  });
});
