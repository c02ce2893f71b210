/** A failure that is expected to happen: what it is, what was kept, what to do. Shown to users as it is. */
export class KnownProblem extends Error {
  override readonly name = 'KnownProblem';
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly todo?: string,
    options?: ErrorOptions,
  ) {
    super(message, options);
  }
}
