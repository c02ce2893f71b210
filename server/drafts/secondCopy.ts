import type { SecondKeywords, secondRequest } from '@opsimath/contract/api/drafts';
import { DRAFT_FIELDS, slotsOf } from '@opsimath/core/copy/draftFields';
import { draftCoverage, draftKeyword } from '@opsimath/core/copy/draftCoverage';
import { holdField } from '@opsimath/core/copy/heldFields';
import { key } from '@opsimath/core/text/key';
import { LANGUAGES, type Language } from '@opsimath/core/text/languages';
import type { z } from 'zod';
import { type DraftRow, draftById } from '../data/drafts';
import { keywordsById } from '../data/keywords';
import { marketById } from '../data/markets';
import type { Database } from '../data/storage/connection';
import { heldTranslations } from '../data/translations';
import { translateKeywords } from '../lookups/translateKeywords';
import { KnownProblem } from '../problems/problem';
import type { SearchSource } from '../sources/searchSource';

/**
 * The same copy for another language as it could begin: each field with what the keywords that it holds say there. Nothing of the
 * draft is changed.
 */
export async function secondBeginning(
  { database, source }: { database: Database; source: SearchSource },
  projectId: number,
  draftId: number,
  { language }: z.output<typeof secondRequest>,
): Promise<{ fields: Record<string, string>; units: number }> {
  const row = await draftById(database, projectId, draftId);
  const market = await marketById(database, row.marketId);
  const from = LANGUAGES.find((one) => one === market.language);
  if (from === undefined || from === language)
    throw new KnownProblem(
      'no-translation',
      `This draft is in ${market.languageName} already.`,
      'Choose another language.',
    );
  const { units, known } = await translateKeywords(
    { database, source },
    language,
    row.keywords.map((keyword) => ({ keyword, from })),
    await source.today(),
  );
  return { fields: await begunFields(database, row, from, known), units };
}

/** What the keywords that each field holds say in the other language; a field that holds none stays empty. */
async function begunFields(
  database: Database,
  { kind, keywords, fields }: DraftRow,
  language: string,
  known: ReadonlyMap<number, string>,
): Promise<Record<string, string>> {
  const texts = await keywordsById(database, keywords);
  const ids = keywords.filter((id) => texts.has(id));
  const wanted = ids.map((id) => draftKeyword(texts.get(id)!.key, 0, language));
  return Object.fromEntries(
    DRAFT_FIELDS[kind].map(({ name, slots }) => {
      const text = fields[name] ?? '';
      const said = (part: string): string[] => {
        const { keywords: held } = draftCoverage([holdField(name, part, language)], wanted, language);
        return ids.flatMap((id, n) => {
          const there = known.get(id) ?? '';
          return there !== '' && held[n]!.missing.length === 0 ? [there] : [];
        });
      };
      const parts = slots === 1 ? [text] : slotsOf(text);
      return [name, parts.map((part) => [...new Set(said(part))].join(', ')).join('\n')] as const;
    }),
  );
}

/** What a draft’s keywords say in a language, as far as that was asked for. */
export async function secondKeywords(
  database: Database,
  projectId: number,
  draftId: number,
  language: Language,
): Promise<SecondKeywords> {
  const { keywords } = await draftById(database, projectId, draftId);
  const said = await heldTranslations(database, keywords, language);
  return keywords.flatMap((id) => {
    const text = said.get(id) ?? '';
    return text === '' ? [] : [{ id, text, key: key(text) }];
  });
}
