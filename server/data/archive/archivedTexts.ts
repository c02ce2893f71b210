export type ArchivedRow = Record<string, string | number | null>;
/** Ids of this installation by those of the archive. */
export type Ids = Map<number, number>;

// Ids that stand inside the texts of a row.

interface Step {
  sieve: { kind: string; list?: number; marker?: number };
}

interface Before {
  steps: Step[];
  rescued: number[];
}

/** A recipe with the keywords, lists and markers that it speaks of. */
export function renumberedRecipe(row: ArchivedRow, keywords: Ids, lists: Ids, markers: Ids): ArchivedRow {
  const kept = (ids: readonly number[]): number[] => ids.map((id) => keywords.get(id) ?? id);
  const read = (text: unknown): unknown => JSON.parse(String(text));
  const renumbered = (steps: readonly Step[]): Step[] =>
    steps.map(({ sieve, ...step }) => ({
      ...step,
      sieve: {
        ...sieve,
        ...(sieve.list !== undefined && { list: lists.get(sieve.list) ?? sieve.list }),
        ...(sieve.marker !== undefined && { marker: markers.get(sieve.marker) ?? sieve.marker }),
      },
    }));
  const before = typeof row.before === 'string' ? (read(row.before) as Before) : null;
  return {
    ...row,
    rescued: JSON.stringify(kept(read(row.rescued) as number[])),
    steps: JSON.stringify(renumbered(read(row.steps) as Step[])),
    before: before && JSON.stringify({ steps: renumbered(before.steps), rescued: kept(before.rescued) }),
  };
}

/** A list with the look-up it came from. A recipe that speaks of lists or markers cannot be run again. */
export function renumberedSource(row: ArchivedRow, keywords: Ids, lookUps: Ids): ArchivedRow {
  if (typeof row.source !== 'string') return row;
  const source = JSON.parse(row.source) as {
    lookUp: number;
    query: { steps: Step[]; rescued?: number[] };
  };
  const lookUp = lookUps.get(source.lookUp);
  const speaksOfOthers = source.query.steps.some(
    ({ sieve }) => sieve.list !== undefined || sieve.marker !== undefined,
  );
  if (lookUp === undefined || speaksOfOthers) return { ...row, source: null };
  const rescued = (source.query.rescued ?? []).map((id) => keywords.get(id) ?? id);
  return { ...row, source: JSON.stringify({ ...source, lookUp, query: { ...source.query, rescued } }) };
}

/** A row of which a column holds ids of keywords, or what is said of some. */
export function renumberedKeywords(row: ArchivedRow, column: string, keywords: Ids): ArchivedRow {
  const entries = JSON.parse(String(row[column])) as (number | { keyword: number })[];
  const renumbered = entries.map((entry) =>
    typeof entry === 'number'
      ? (keywords.get(entry) ?? entry)
      : { ...entry, keyword: keywords.get(entry.keyword) ?? entry.keyword },
  );
  return { ...row, [column]: JSON.stringify(renumbered) };
}

/** A look-up that came from a file, with the number that the import has here. */
export function renumberedRequest(row: ArchivedRow, imports: Ids): ArchivedRow {
  const request = JSON.parse(String(row.request)) as { importId?: number };
  if (request.importId === undefined) return row;
  const importId = imports.get(request.importId) ?? 0;
  return { ...row, request: JSON.stringify({ ...request, importId }) };
}

/** A report with the keywords, lists and rounds that its sections speak of. */
export function renumberedSections(row: ArchivedRow, keywords: Ids, lists: Ids, rounds: Ids): ArchivedRow {
  const document = JSON.parse(String(row.document)) as {
    sections: { settings: { keywords?: number[]; list?: number | null; round?: number | null } }[];
  };
  const sections = document.sections.map((section) => {
    const { keywords: chosen, list, round } = section.settings;
    return {
      ...section,
      settings: {
        ...section.settings,
        ...(chosen && { keywords: chosen.map((id) => keywords.get(id) ?? id) }),
        ...(typeof list === 'number' && { list: lists.get(list) ?? null }),
        ...(typeof round === 'number' && { round: rounds.get(round) ?? null }),
      },
    };
  });
  return { ...row, document: JSON.stringify({ ...document, sections }) };
}
