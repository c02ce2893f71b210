/** Lets work on the same thing happen one after another: two look-ups at once never pay for one thing twice. */
export class Locks {
  private readonly tails = new Map<string, Promise<unknown>>();

  /** Runs when everything asked for before under the same name has ended, however it ended. */
  run<T>(name: string, work: () => Promise<T>): Promise<T> {
    const before = this.tails.get(name) ?? Promise.resolve();
    const result = before.then(work, work);
    const tail = result.catch(() => undefined);
    this.tails.set(name, tail);
    void tail.then(() => {
      if (this.tails.get(name) === tail) this.tails.delete(name);
    });
    return result;
  }
}
