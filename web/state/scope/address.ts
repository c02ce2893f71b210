/** Reads values out of an address. What makes no sense is as if it were not there. */
export class AddressReader {
  constructor(private readonly params: URLSearchParams) {}

  text(name: string): string {
    return this.params.get(name) ?? '';
  }

  /** An ISO day, or nothing. */
  day(name: string): string {
    const text = this.text(name);
    return /^\d{4}-\d{2}-\d{2}$/.test(text) ? text : '';
  }

  id(name: string): number | null {
    return isId(this.text(name)) ? Number(this.text(name)) : null;
  }

  ids(name: string): number[] {
    return this.text(name).split(',').filter(isId).map(Number);
  }

  words(name: string): string[] {
    return this.text(name).split(',').filter(Boolean);
  }

  several<T extends string>(name: string, allowed: readonly T[]): T[] {
    return this.text(name)
      .split(',')
      .filter((part): part is T => (allowed as readonly string[]).includes(part));
  }

  one<T extends string, U extends string>(name: string, allowed: readonly T[], otherwise: U): T | U {
    return this.several(name, allowed)[0] ?? otherwise;
  }
}

function isId(text: string): boolean {
  return /^[1-9]\d{0,14}$/.test(text);
}
