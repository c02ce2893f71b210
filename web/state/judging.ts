import type { Judgement, JudgementStep, JudgementStepsAnswer } from '@opsimath/contract/api/judgements';
import { type Waiting, outbox } from './outbox';
import { WINDOW } from './window';
import { t } from '../words/t';

/** What a row said of a keyword. */
export type Stood = Required<Judgement> & { person: string };

/** One step of judging: what the rows that are open said before, and when the server has it. */
interface JudgementGiven {
  id: string;
  stood: Stood[];
  done: Promise<unknown>;
}
export interface JudgingState {
  /** Steps that the server does not have yet. */
  waiting: number;
  /** Set while the server does not answer. */
  away: boolean;
}

type Answer = JudgementStepsAnswer['steps'][number];

const MOST_AT_ONCE = 200;
const FIRST_PAUSE_MS = 500;
const LONGEST_PAUSE_MS = 15_000;
const LOCK = 'opsimath.judging';

/**
 * Verdicts go at once into a box kept in the browser and are sent from there in the order in which they were given,
 * whatever becomes of the page or the connection meanwhile. One window sends at a time.
 */
class Judging {
  private shown: JudgingState = { waiting: 0, away: false };
  private readonly listeners = new Set<() => void>();
  private readonly callers = new Map<
    string,
    { resolve: (of: unknown) => void; reject: (error: unknown) => void }
  >();
  private putting: Promise<unknown> = Promise.resolve();
  /** What a browser that keeps nothing would not take: sent from here, lost with the page. */
  private unkept: Waiting[] = [];
  private sending = false;
  private pause = FIRST_PAUSE_MS;
  private retry: ReturnType<typeof setTimeout> | undefined;
  /** Shows what is given now in every open view, before it is sent; gives what stood there. */
  show: (given: readonly Stood[]) => Stood[] = () => [];
  /** Called when the box is empty again. */
  onSent: () => void = () => undefined;
  onProblem: (message: string) => void = () => undefined;

  give(project: number, changes: Judgement[], person: string): JudgementGiven {
    const now = changes.map(({ parked = false, reason = '', ...change }) => ({
      ...change,
      parked,
      reason,
      person,
    }));
    return this.enter(project, { id: crypto.randomUUID(), changes, person }, now);
  }

  /** @param stood what the rows said before that step: shown at once, the server knows exactly */
  takeBack(project: number, takesBack: string, stood: readonly Stood[]): JudgementGiven {
    return this.enter(project, { id: crypto.randomUUID(), takesBack }, stood);
  }

  /** Begins to send what an earlier page left behind. */
  start(): void {
    addEventListener('online', () => this.sendSoon(0));
    void this.count().then(() => this.sendSoon(0));
  }

  readonly state = (): JudgingState => this.shown;
  readonly listen = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  private enter(project: number, step: JudgementStep, now: readonly Stood[]): JudgementGiven {
    const waiting: Waiting = { project, step };
    const done = new Promise<unknown>((resolve, reject) => this.callers.set(step.id, { resolve, reject }));
    done.catch(() => undefined);
    const stood = this.show(now);
    this.say({ waiting: this.shown.waiting + 1 });
    // In their order: the next is put in when this one is.
    this.putting = this.putting
      .then(() => outbox.put(waiting))
      .catch(() => {
        this.unkept.push(waiting);
        this.onProblem(t('shell:judging.thisBrowserKeepsNothingStayOn'));
      })
      .then(() => this.sendSoon(0));
    return { id: step.id, stood, done };
  }

  private sendSoon(ms: number): void {
    clearTimeout(this.retry);
    this.retry = setTimeout(() => void this.send(), ms);
  }

  private async send(): Promise<void> {
    if (this.sending) return;
    this.sending = true;
    try {
      await alone(() => this.sendAll());
      this.pause = FIRST_PAUSE_MS;
    } catch {
      this.say({ away: true });
      this.sendSoon(this.pause);
      this.pause = Math.min(LONGEST_PAUSE_MS, this.pause * 2);
    } finally {
      this.sending = false;
    }
  }

  private async sendAll(): Promise<void> {
    for (;;) {
      const all = await this.all();
      const [first] = all;
      if (!first) break;
      const batch = all.filter(({ project }) => project === first.project).slice(0, MOST_AT_ONCE);
      const answers = await this.post(first.project, batch);
      await outbox.drop(batch.flatMap(({ n }) => n ?? []));
      this.unkept = this.unkept.filter((waiting) => !batch.includes(waiting));
      answers.forEach((answer) => this.settle(answer));
      await this.count();
    }
    this.say({ waiting: 0, away: false });
    this.onSent();
  }

  /** What the server refuses for good is answered as such; anything else is thrown, to be tried again. */
  private async post(project: number, batch: Waiting[]): Promise<Answer[]> {
    const response = await fetch(`/api/projects/${project}/verdicts/steps`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-window': WINDOW },
      body: JSON.stringify({ steps: batch.map(({ step }) => step) }),
      keepalive: batch.length < 20,
    });
    const answer = (await response.json()) as JudgementStepsAnswer & { message?: string };
    if (response.ok) return answer.steps;
    if (response.status >= 500 || response.status === 429) throw new Error(answer.message);
    if (batch.length > 1) {
      const answers: Answer[] = [];
      for (const one of batch) answers.push(...(await this.post(project, [one])));
      return answers;
    }
    return [{ id: batch[0]!.step.id, problem: answer.message ?? t('shell:judging.itWasRefused') }];
  }

  private settle(answer: Answer): void {
    const caller = this.callers.get(answer.id);
    this.callers.delete(answer.id);
    if ('problem' in answer) {
      this.onProblem(answer.problem);
      caller?.reject({ status: 409, data: { code: 'refused', message: answer.problem } });
    } else {
      if (answer.newer > 0) this.onProblem(leftAsItIs(answer.newer));
      caller?.resolve(answer);
    }
  }

  private async all(): Promise<Waiting[]> {
    return [...(await outbox.all().catch(() => [])), ...this.unkept];
  }

  private async count(): Promise<void> {
    this.say({ waiting: (await this.all()).length });
  }

  private say(change: Partial<JudgingState>): void {
    this.shown = { ...this.shown, ...change };
    for (const listener of this.listeners) listener();
  }
}

function leftAsItIs(count: number): string {
  return count === 1
    ? t('shell:judging.oneKeywordWasJudgedAnewBy')
    : t('shell:judging.countShownKeywordsWereJudgedAnewBy', { countShown: count });
}

/** Only one window of this browser does it at a time, where the browser can tell. */
function alone(work: () => Promise<void>): Promise<void> {
  const { locks } = navigator as { locks?: LockManager };
  return locks ? (locks.request(LOCK, work) as Promise<unknown> as Promise<void>) : work();
}

export const judging = new Judging();
