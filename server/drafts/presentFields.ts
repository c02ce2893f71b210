import { DRAFT_FIELDS, type DraftKind } from '@opsimath/core/copy/draftFields';
import { KnownProblem } from '../problems/problem';
import type { SearchSource } from '../sources/searchSource';

/** Fields of one of our targets as they stand today: its public record, and what only its owner sees. */
export async function presentFields(
  source: SearchSource,
  kind: DraftKind,
  market: string,
  address: string,
): Promise<{ date: string; fields: Record<string, string> } | null> {
  if (address === '') return null;
  const date = await source.today();
  try {
    const record = await source.record({ market, date, target: address });
    const own = await source.ownFields({ market, target: address });
    const all: Record<string, string> = {
      title: record.title,
      description: record.description,
      ...record.fields,
      ...own.fields,
    };
    const wanted = DRAFT_FIELDS[kind].map(({ name }) => [name, all[name] ?? ''] as const);
    return { date, fields: Object.fromEntries(wanted) };
  } catch (error) {
    // One that the services do not know yet has no fields.
    if (error instanceof KnownProblem && error.code !== 'services-unreachable') return null;
    throw error;
  }
}
