import { randomInt } from 'node:crypto';
import { PROBLEMS, type Problem, type ProblemCode } from '@opsimath/contract/api/problem';

/** A failure that is expected to happen: what it is, what was kept, what to do. Shown to users as it is. */
export class KnownProblem extends Error {
  override readonly name = 'KnownProblem';
  constructor(
    readonly code: ProblemCode,
    message: string,
    readonly todo?: string,
    options?: ErrorOptions & { changed?: string[] },
  ) {
    super(message, options);
    this.changed = options?.changed;
  }
  readonly changed?: string[];

  get status(): number {
    return PROBLEMS[this.code].status;
  }
}

/** A failure that nobody foresaw. Only its number is shown; the log has the rest under it. */
export class UnforeseenProblem extends Error {
  override readonly name = 'UnforeseenProblem';
  /** Six letters and digits that are not mistaken for one another. */
  readonly number = newNumber();

  constructor(cause: unknown) {
    super(cause instanceof Error ? cause.message : String(cause), { cause });
    if (cause instanceof Error) this.stack = cause.stack;
  }

  /** The sentence for whoever waited. */
  get told(): string {
    return `Something unforeseen happened (number ${this.number}).`;
  }
}

export const UNFORESEEN_TODO =
  'Do it again. If it happens again, give this number to whoever looks after the application: the log says more under it.';

const SIGNS = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789';
function newNumber(): string {
  return Array.from({ length: 6 }, () => SIGNS[randomInt(SIGNS.length)]!).join('');
}

/** The known problem that an error is, or was caused by: a driver wraps what happens beneath it. */
export function knownProblemOf(error: unknown): KnownProblem | null {
  for (let at = error, depth = 0; at instanceof Error && depth < 8; at = at.cause, depth++)
    if (at instanceof KnownProblem) return at;
  return null;
}

/** A failure as it goes to whoever asked, between threads or over HTTP. */
export function asProblem(error: KnownProblem | UnforeseenProblem): Problem {
  if (error instanceof UnforeseenProblem)
    return { code: 'broken', message: error.told, todo: UNFORESEEN_TODO };
  const { code, message, todo, changed } = error;
  return { code, message, todo, changed };
}

/** A failure that came over from another thread. */
export function problemFrom({ code, message, todo, changed }: Problem): KnownProblem {
  return new KnownProblem(code as ProblemCode, message, todo, { changed });
}

/** What an error is: known, or met for the first time and given a number. */
export function toProblem(error: unknown): KnownProblem | UnforeseenProblem {
  return knownProblemOf(error) ?? (error instanceof UnforeseenProblem ? error : new UnforeseenProblem(error));
}
