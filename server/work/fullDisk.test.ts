import { execFileSync } from 'node:child_process';
import { DATE, MARKET, OWN, RIVALS, Running } from '../testing/running';

/** A disk that takes no more: work stops with its reason, pays nothing meanwhile, and goes on once there is room. */
let running: Running;
beforeAll(async () => {
  running = await Running.start();
});
afterAll(() => running.stop());

/** No file of the server may grow beyond so many bytes: what a full disk is to a program. */
function room(bytes: number | 'unlimited'): void {
  execFileSync('prlimit', [`--pid=${running.server.pid}`, `--fsize=${bytes}:unlimited`]);
}
const charged = async (): Promise<number> => (await running.witness<{ spent: number }>('/allowance')).spent;
const jobOf = (id: number): Promise<{ state: string; message: string | null }> =>
  running.api.get(`/jobs/${id}`);

test('a look-up on a full disk says why it stopped, pays nothing more and goes on when there is room', async () => {
  const { at } = await running.project();
  const before = await charged();
  room(1_500_000);
  const { id, job } = await running.api.post(`${at}/look-ups`, {
    market: MARKET,
    date: DATE,
    targets: [OWN, ...RIVALS],
    extent: 'captures',
    captureMost: 2000,
  });
  let now = await jobOf(job.id);
  while (now.state === 'queued' || now.state === 'running') now = await jobOf(job.id);
  expect(now).toMatchObject({ state: 'failed', message: expect.stringMatching(/disk/) });
  // Answers go on meanwhile, and nothing is bought that could not be kept.
  const spent = await charged();
  for (let asked = 0; asked < 300; asked++) await running.api.get('/projects');
  expect(await charged()).toBe(spent);
  expect((await jobOf(job.id)).state).toBe('failed');

  room('unlimited');
  await running.api.post(`/jobs/${job.id}/resume`);
  await running.api.finished(job.id);
  expect((await running.api.get(`/look-ups/${id}`)).units).toBe((await charged()) - before);
});

test('a change on a full disk is refused in a sentence, and the next one is taken', async () => {
  const { id, at } = await running.project();
  room(4096);
  const answer = await fetch(`${running.server.url}/api${at}`, {
    method: 'PATCH',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name: 'No room' }),
  });
  const problem = (await answer.json()) as { code: string; message: string };
  expect(answer.status).toBeGreaterThanOrEqual(503);
  expect(problem.message).toMatch(/disk/);
  expect(problem.message).not.toMatch(/SQL/);
  expect((await running.api.get(at)).name).toBe('Test');
  room('unlimited');
  await running.api.patch(at, { name: 'Room again' });
  await running.crashAndRestart();
  expect((await running.api.get(`/projects/${id}`)).name).toBe('Room again');
});
