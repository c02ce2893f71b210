import type { JobProgress } from '@opsimath/contract/api/jobs';
import fc from 'fast-check';
import { ProgressMeter } from './steps/context';
import { Locks } from './steps/locks';

describe('locks', () => {
  test('work under one name never overlaps and keeps its order; other names do not wait', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.record({ name: fc.constantFrom('a', 'b', 'c'), fails: fc.boolean(), turns: fc.nat(4) }), {
          maxLength: 20,
        }),
        async (tasks) => {
          const locks = new Locks();
          const inside = new Map<string, number>();
          const ended = new Map<string, number[]>();
          const results = await Promise.allSettled(
            tasks.map(({ name, fails, turns }, n) =>
              locks.run(name, async () => {
                expect(inside.get(name) ?? 0).toBe(0);
                inside.set(name, 1);
                for (let turn = 0; turn < turns; turn++) await Promise.resolve();
                inside.set(name, 0);
                ended.set(name, [...(ended.get(name) ?? []), n]);
                if (fails) throw new Error(`task ${n}`);
                return n;
              }),
            ),
          );
          tasks.forEach(({ fails }, n) =>
            expect(results[n]).toMatchObject(
              fails
                ? { status: 'rejected', reason: { message: `task ${n}` } }
                : { status: 'fulfilled', value: n },
            ),
          );
          for (const order of ended.values()) expect(order).toEqual([...order].sort((a, b) => a - b));
        },
      ),
    );
  });

  test('what waits behind another name does not hold this one up', async () => {
    const locks = new Locks();
    let open: () => void = () => undefined;
    const slow = locks.run('slow', () => new Promise<void>((resolve) => (open = resolve)));
    expect(await locks.run('quick', () => Promise.resolve('done'))).toBe('done');
    open();
    await slow;
  });
});

describe('progress', () => {
  function meter(): { clock: { now: number }; told: JobProgress[]; meter: ProgressMeter } {
    const clock = { now: 0 };
    const told: JobProgress[] = [];
    return {
      clock,
      told,
      meter: new ProgressMeter(
        () => clock.now,
        (progress) => told.push(progress),
      ),
    };
  }

  test('the time left is what the pace so far says, of this run alone', () => {
    const { clock, meter: progress } = meter();
    progress.step('reading', 100, 40);
    clock.now = 2000;
    expect(progress.advance(20)).toMatchObject({ step: 'reading', done: 60, total: 100, secondsLeft: 4 });
    clock.now = 3000;
    expect(progress.advance(40)).toMatchObject({ done: 100, secondsLeft: 0 });
  });

  test('without a total, or before anything was done, nothing is said of the time left', () => {
    const { clock, meter: progress } = meter();
    progress.step('looking', null);
    clock.now = 500;
    expect(progress.advance(3).secondsLeft).toBeNull();
    progress.step('next', 10);
    expect(progress.current().secondsLeft).toBeNull();
    expect(progress.advance(0).secondsLeft).toBeNull();
  });

  test('units add up over the steps, done counts from each step anew, and everything is told', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.tuple(fc.nat(50), fc.nat(9)), { maxLength: 6 }), { maxLength: 5 }),
        (steps) => {
          const { clock, told, meter: progress } = meter();
          let units = 0;
          for (const [n, advances] of steps.entries()) {
            progress.step(`step ${n}`, 1000);
            let done = 0;
            for (const [by, cost] of advances) {
              clock.now += 10;
              const state = progress.advance(by, cost);
              done += by;
              units += cost;
              expect(state).toMatchObject({ step: `step ${n}`, done, units });
              expect(state.secondsLeft ?? 0).toBeGreaterThanOrEqual(0);
            }
          }
          expect(told).toHaveLength(steps.reduce((sum, advances) => sum + 1 + advances.length, 0));
        },
      ),
    );
  });
});
