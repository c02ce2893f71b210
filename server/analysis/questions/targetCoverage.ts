import type { TargetCoverage, coverageRequest } from '@opsimath/contract/api/coverage';
import type { Target } from '@opsimath/contract/api/targets';
import { COVERAGES } from '@opsimath/core/copy/coverageWords';
import { type CoveredField, wordsTable } from '@opsimath/core/copy/wordsTable';
import { UNKNOWN, isRanked } from '@opsimath/core/ranking/position';
import { key, words } from '@opsimath/core/text/key';
import { contentStems, stem } from '@opsimath/core/text/stems';
import type { z } from 'zod';
import { keywordKeys } from '../../data/keywordKeys';
import { keywordsById } from '../../data/keywords';
import { listById, listMembers } from '../../data/lists';
import { targetById } from '../../data/targets';
import { KnownProblem } from '../../problems/problem';
import type { Comparison } from '../comparison/comparison';
import { openComparison } from '../comparison/openComparison';
import { newestStanding, targetFacts } from '../facts/targetFacts';
import type { Workspace } from '../kept/workspace';

/** Keywords that a target is held against, the most searched; and words and keywords that are shown. */
const MOST_COMPARED = 5000;
const MOST_SHOWN = 200;

/** Which words keywords need that a target has or lacks (method §12): ours or a rival’s. */
export async function targetCoverage(
  workspace: Workspace,
  projectId: number,
  targetId: number,
  { hidden, keywords: which, list, ...scope }: z.output<typeof coverageRequest>,
): Promise<TargetCoverage> {
  const { database } = workspace;
  const target = await targetById(database, projectId, targetId);
  const { comparison } = await openComparison(workspace, projectId, scope);
  const { market, keywords, volume } = comparison;
  const fields = fieldsOf(target, hidden);
  const wanted = await wantedOf(workspace, comparison, target, which, list);
  const byVolume = (a: number, b: number): number => (volume[b]! || 0) - (volume[a]! || 0) || a - b;
  const sorted = wanted.sort(byVolume);
  let taken = sorted.slice(0, which === 'near' ? sorted.length : MOST_COMPARED);
  const keys = await keywordKeys(
    database,
    market.id,
    taken.map((i) => keywords[i]!),
  );
  const keyOf = new Map(taken.map((i, n) => [i, keys[n]!]));
  if (which === 'near') {
    const held = new Set(
      fields.flatMap(({ text }) => words(text)).map((word) => stem(word, market.language)),
    );
    taken = taken.filter((i) => {
      const content = [...new Set(words(contentStems(keyOf.get(i)!, market.language)))];
      return 2 * content.filter((word) => held.has(word)).length >= content.length;
    });
  }
  const total = which === 'near' ? taken.length : sorted.length;
  taken = taken.slice(0, MOST_COMPARED);
  const table = wordsTable(
    fields,
    taken.map((i) => ({ key: keyOf.get(i)!, volume: volume[i]! || 0 })),
    market.language,
  );
  const open = taken.flatMap((i, n) => {
    const found = table.keywords[n]!;
    return found.coverage === 'whole' ? [] : [{ i, found }];
  });
  const shown = open.slice(0, MOST_SHOWN).map(({ i, found }) => ({ i, found, id: keywords[i]! }));
  const texts = await keywordsById(
    database,
    shown.map(({ id }) => id),
  );
  return {
    fields: fields.map(({ name, text }) => ({ name, words: words(text).length })),
    compared: taken.length,
    total,
    counts: COVERAGES.map((word) => table.keywords.filter((one) => one.coverage === word).length),
    words: table.words.slice(0, MOST_SHOWN),
    keywords: shown.map(({ i, found, id }) => ({
      id,
      text: texts.get(id)!.text,
      volume: Number.isNaN(volume[i]!) ? null : volume[i]!,
      coverage: found.coverage,
      missing: found.missing,
    })),
  };
}

/** Fields that are known of a target: its public record, what only we know of it, and hidden slots that were pasted. */
function fieldsOf({ record, privateFields }: Target, hidden: string): CoveredField[] {
  const known = record
    ? { title: record.title, description: record.description, ...record.fields, ...privateFields }
    : privateFields;
  const all: [string, string][] = Object.entries(known);
  if (hidden.trim() !== '') all.push(['pasted slots', hidden]);
  // Lines of a field are words of it; notes to ourselves are none.
  return all
    .filter(([name, text]) => text.trim() !== '' && name !== 'draft notes')
    .map(([name, text]) => ({ name, text: key(text.replace(/\s+/g, ' ')) }));
}

/** Entries of the comparison that a target is held against. */
async function wantedOf(
  workspace: Workspace,
  comparison: Comparison,
  target: Target,
  which: z.output<typeof coverageRequest>['keywords'],
  list: number | undefined,
): Promise<number[]> {
  const { database } = workspace;
  const { columns, sides, keywords, market, date, project } = comparison;
  const entries = [...keywords.keys()];
  if (which === 'list') {
    if (list === undefined)
      throw new KnownProblem('no-such-list', 'Say which list.', 'Choose one of the lists of this market.');
    await listById(database, project.id, list);
    const members = new Set(await listMembers(database, list));
    return entries.filter((i) => members.has(keywords[i]!));
  }
  if (which === 'own') {
    const { days } = await targetFacts(workspace, market, target.address, date);
    const { organic } = newestStanding(days);
    const held = (id: number): boolean => isRanked(organic.get(id) ?? UNKNOWN);
    return entries.filter((i) => held(keywords[i]!));
  }
  const isOwn = target.side === 'own';
  const others = columns.rivalOrganic.filter((_, rival) => sides.rivals[rival]!.id !== target.id);
  if (!isOwn) others.push(columns.ownOrganic);
  const { front } = project.settings;
  return entries.filter((i) => others.some((column) => isRanked(column[i]!) && column[i]! <= front));
}
