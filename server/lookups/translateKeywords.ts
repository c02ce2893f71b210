import type { Language } from '@opsimath/core/text/languages';
import { keywordsById } from '../data/keywords';
import { payOnce } from '../data/paidRequests';
import type { Database } from '../data/storage/connection';
import { heldTranslations, keepTranslations } from '../data/translations';
import type { SearchSource } from '../sources/searchSource';

const AT_ONCE = 500;

/**
 * What keywords say in another language: what is held costs nothing, the rest is asked for once and kept.
 *
 * @returns how many were asked for, what it cost, and what is known now; an empty text where nobody knew
 */
export async function translateKeywords(
  { database, source }: { database: Database; source: SearchSource },
  into: Language,
  keywords: readonly { keyword: number; from: Language }[],
  date: string,
): Promise<{ asked: number; units: number; known: Map<number, string> }> {
  const ids = keywords.map(({ keyword }) => keyword);
  const held = await heldTranslations(database, ids, into);
  const wanted = keywords.filter(({ keyword, from }) => !held.has(keyword) && from !== into);
  const texts = await keywordsById(
    database,
    wanted.map(({ keyword }) => keyword),
  );
  const translate = async (some: readonly number[], from: Language): Promise<number> => {
    const request = await payOnce(database, {
      marketId: 0,
      date,
      kind: 'translations',
      detail: `${from} ${into} ${some.join(',')}`,
    });
    const answer = await source.translations({
      requestId: request.requestId,
      date,
      from,
      to: into,
      texts: some.map((id) => texts.get(id)!.text),
    });
    const said = new Map(answer.translations.map(({ text, translation }) => [text, translation]));
    await keepTranslations(
      database,
      into,
      source.name,
      some.map((id) => ({ keyword: id, text: said.get(texts.get(id)!.text) ?? null })),
      [request.settled],
    );
    return answer.units;
  };
  let units = 0;
  for (const from of new Set(wanted.map((entry) => entry.from))) {
    const of = wanted
      .filter((entry) => entry.from === from && texts.has(entry.keyword))
      .map(({ keyword }) => keyword);
    for (let at = 0; at < of.length; at += AT_ONCE)
      units += await translate(of.slice(at, at + AT_ONCE), from);
  }
  return { asked: wanted.length, units, known: await heldTranslations(database, ids, into) };
}
