/** Lists and plain values are given whole; records may be given in part. */
export type DeepPartial<T> = T extends readonly unknown[]
  ? T
  : T extends object
    ? { [Name in keyof T]?: DeepPartial<T[Name]> | undefined }
    : T;

/** What stands, with the parts that a change names put in their place. Neither is altered. */
export function patched<T>(stands: T, change: DeepPartial<T>): T {
  if (!isRecord(stands) || !isRecord(change)) return change as T;
  const next: Record<string, unknown> = { ...stands };
  for (const [name, value] of Object.entries(change))
    if (value !== undefined) next[name] = patched(next[name], value as DeepPartial<unknown>);
  return next as T;
}

/** What stands now of the parts that a change names: the change that takes it back. */
export function takenBack<T>(stands: T, change: DeepPartial<T>): DeepPartial<T> {
  if (!isRecord(stands) || !isRecord(change)) return stands as DeepPartial<T>;
  return Object.fromEntries(
    Object.entries(change)
      .filter(([, value]) => value !== undefined)
      .map(([name, value]) => [
        name,
        takenBack((stands as Record<string, unknown>)[name], value as DeepPartial<unknown>),
      ]),
  ) as DeepPartial<T>;
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/**
 * Where a change clashes with what others have changed since: paths that it names, that they have changed as well, to
 * something else. What both changed alike is no clash.
 * @param base what stood when the change was thought of
 * @param stands what stands now
 */
export function clashes<T>(base: T, stands: T, change: DeepPartial<T>, path = ''): string[] {
  if (same(base, stands) || same(stands, change)) return [];
  if (!isRecord(stands) || !isRecord(change) || !isRecord(base)) return [path];
  return Object.entries(change).flatMap(([name, value]) =>
    value === undefined
      ? []
      : clashes<unknown>(
          (base as Record<string, unknown>)[name],
          (stands as Record<string, unknown>)[name],
          value as DeepPartial<unknown>,
          path === '' ? name : `${path} ${name}`,
        ),
  );
}

export function same(a: unknown, b: unknown): boolean {
  if (isRecord(a) && isRecord(b)) {
    const names = new Set([...Object.keys(a), ...Object.keys(b)]);
    return [...names].every((name) => same(a[name], b[name]));
  }
  if (Array.isArray(a) && Array.isArray(b))
    return a.length === b.length && a.every((value, i) => same(value, b[i]));
  return Object.is(a, b);
}
