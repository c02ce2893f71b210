import type { DraftMaterial } from '@opsimath/contract/api/draftMaterial';
import type { ShownPage } from '@opsimath/contract/api/dossier';
import type { SourceFullRecord } from '@opsimath/contract/source/answers';
import { quartilesOf } from '@opsimath/core/gap/resultFacts';
import { PURPOSE_WORDS } from '@opsimath/core/sift/purpose';
import { key, words } from '@opsimath/core/text/key';
import { stem } from '@opsimath/core/text/stems';
import { LANGUAGES } from '@opsimath/core/text/languages';
import { prepareKeyword } from '@opsimath/core/gap/textStanding';
import { keywordKeysText } from '../../data/keywordKeys';
import { keywordIdsContaining, keywordIdsOfKnown, keywordsById } from '../../data/keywords';
import { placeRecords } from '../../data/placeRecords';
import { type Comparison, entryOf } from '../comparison/comparison';
import { openComparison } from '../comparison/openComparison';
import { resultPage } from '../facts/history';
import type { Workspace } from '../kept/workspace';
import { inWordWorker } from '../words/inWordWorker';

const MOST_HEADINGS = 24;
const MOST_LINKS = 12;
const MOST_QUESTIONS = 15;
const MOST_TAGS = 300;

/** What the lead’s front and our own targets give to a draft (method §12). */
export async function draftMaterial(
  workspace: Workspace,
  projectId: number,
  scope: { market: string; date: string },
  { keywords: ids, address }: { keywords: readonly number[]; address: string },
): Promise<DraftMaterial> {
  const opened = await openComparison(workspace, projectId, scope);
  const { comparison } = opened;
  const { market, sides, project } = comparison;
  const { database } = workspace;
  const texts = await keywordsById(database, ids);
  const lead = ids[0] === undefined ? undefined : texts.get(ids[0]);
  const page = lead ? await resultPage(workspace, market.id, lead.id, scope.date, sides) : null;
  const front = (page?.slots ?? []).filter(
    ({ kind, position, address: at }) =>
      kind === 'organic' && at !== null && position !== null && position <= project.settings.front,
  );
  const records = await placeRecords(
    database,
    front.map((slot) => slot.address!),
    scope.date,
  );
  const held = front.flatMap((slot) => records.get(slot.address!)?.record ?? []);
  return {
    recorded: held.length,
    front: front.length,
    words: quartilesOf('words', held.map(wordsIn), null)?.middle ?? null,
    headings: counted(held.map(({ fields }) => fields.headings ?? '')).slice(0, MOST_HEADINGS),
    questions: lead ? await questionsAbout(workspace, comparison, lead.key, ids) : [],
    links: lead ? linksFrom(comparison, lead.key, address) : [],
    sources: front.filter(({ side }) => side === 'other').map(sourceOf),
    tags: await tagsOf(workspace, comparison, held),
    spellings: await spellingsOf(workspace, opened, [...texts.values()]),
  };
}

const wordsIn = ({ title, description, fields }: SourceFullRecord): number =>
  words(key([title, description, ...Object.values(fields)].join(' '))).length;

const sourceOf = ({ address, title, authority }: ShownPage['slots'][number]) => ({
  address: address!,
  title: title ?? '',
  authority,
});

/** Lines of several lists, each once a list, those in most lists first. */
function counted(lists: readonly string[]): { key: string; text: string; results: number }[] {
  const found = new Map<string, { key: string; text: string; results: number }>();
  for (const list of lists) {
    const lines = new Map(list.split('\n').map((line) => [key(line), line.trim()]));
    for (const [id, text] of lines) {
      if (id === '') continue;
      const entry = found.get(id);
      if (entry) entry.results++;
      else found.set(id, { key: id, text, results: 1 });
    }
  }
  return [...found.values()].sort((a, b) => b.results - a.results || (a.key < b.key ? -1 : 1));
}

/** Keywords that ask something and hold the lead, or are the draft’s own. */
async function questionsAbout(
  { database }: Workspace,
  comparison: Comparison,
  leadKey: string,
  own: readonly number[],
): Promise<string[]> {
  const { market } = comparison;
  const ids = new Set([...own, ...(await keywordIdsContaining(database, market.id, leadKey))]);
  const texts = await keywordsById(database, ids);
  return [...texts.values()]
    .filter(({ text }) => asks(text, market.language))
    .map(({ id, text }) => ({ text, volume: standingOf(comparison, id).volume ?? -1 }))
    .sort((a, b) => b.volume - a.volume || (a.text < b.text ? -1 : 1))
    .slice(0, MOST_QUESTIONS)
    .map(({ text }) => text);
}

/** Whether somebody who types this asks something. */
function asks(text: string, language: string): boolean {
  const { learn } = PURPOSE_WORDS[LANGUAGES.find((one) => one === language) ?? 'en'];
  const first = words(key(text))[0] ?? '';
  return text.includes('?') || learn.includes(first);
}

/** Own targets whose title or description has at least half of the lead’s words, those with most first. */
function linksFrom({ sides, market }: Comparison, leadKey: string, address: string): DraftMaterial['links'] {
  const { content } = prepareKeyword(leadKey, market.language);
  return sides.ownPlaces
    .filter((place) => place.address !== address && place.title !== '')
    .map((place) => {
      const said = new Set(
        words(key(`${place.title} ${place.description}`)).map((word) => stem(word, market.language)),
      );
      return { place, held: content.filter((word) => said.has(word)).length };
    })
    .filter(({ held }) => held > 0 && 2 * held >= content.length)
    .sort((a, b) => b.held - a.held || (b.place.authority ?? 0) - (a.place.authority ?? 0))
    .slice(0, MOST_LINKS)
    .map(({ place }) => ({ address: place.address, title: place.title }));
}

async function tagsOf(
  { database }: Workspace,
  comparison: Comparison,
  held: readonly SourceFullRecord[],
): Promise<DraftMaterial['tags']> {
  const tags = counted(held.map(({ fields }) => fields.tags ?? '')).slice(0, MOST_TAGS);
  const ids = await keywordIdsOfKnown(
    database,
    comparison.market.id,
    tags.map((tag) => tag.key),
  );
  return tags.map((tag, n) => ({ ...tag, ...standingOf(comparison, ids[n]!) }));
}

/** Searches of a keyword and where we stand for it, as far as they are known. */
export function standingOf(
  comparison: Comparison,
  id: number,
): { volume: number | null; position: number | null } {
  const entry = id > 0 ? entryOf(comparison, id) : -1;
  if (entry < 0) return { volume: null, position: null };
  const { volume, columns } = comparison;
  const position = columns.ownOrganic[entry]!;
  return {
    volume: Number.isNaN(volume[entry]!) ? null : volume[entry]!,
    position: position > 0 && position <= 250 ? position : null,
  };
}

/** How the draft’s keywords are spelled otherwise by people of the market. */
async function spellingsOf(
  workspace: Workspace,
  { comparison, name, revisions }: Awaited<ReturnType<typeof openComparison>>,
  own: readonly { key: string }[],
): Promise<DraftMaterial['spellings']> {
  if (own.length === 0) return [];
  const { market } = comparison;
  const { database } = workspace;
  const phrases = own.map((keyword) => keyword.key);
  const found = await workspace.keep('draft spellings', revisions, [name, phrases.join('\n')], async () => {
    const { ids } = await workspace.alphabetical(market, revisions);
    const keys = await keywordKeysText(database, market.id, ids);
    const spelled = await inWordWorker('spellings', {
      keys,
      phrases,
      language: market.language,
    });
    return spelled.flatMap((others, n) => others.map((other) => ({ other, of: phrases[n]! })));
  });
  const ids = await keywordIdsOfKnown(
    database,
    market.id,
    found.map(({ other }) => other),
  );
  const texts = await keywordsById(
    database,
    ids.filter((id) => id > 0),
  );
  const seen = new Set(phrases);
  return found
    .flatMap(({ of }, n) => {
      const keyword = texts.get(ids[n]!);
      if (!keyword || seen.has(keyword.key)) return [];
      seen.add(keyword.key);
      const { volume } = standingOf(comparison, keyword.id);
      return [{ key: keyword.key, text: keyword.text, of, volume }];
    })
    .sort((a, b) => (b.volume ?? -1) - (a.volume ?? -1));
}
