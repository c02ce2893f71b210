import type { AnsweringView, answeringQuery } from '@opsimath/contract/api/rounds';
import { key } from '@opsimath/core/text/key';
import { prepareKeyword } from '@opsimath/core/gap/textStanding';
import { stem } from '@opsimath/core/text/stems';
import type { z } from 'zod';
import { keywordsById } from '../../data/keywords';
import { answeringTargets, plannedTargets } from '../../data/answering';
import type { Comparison } from '../comparison/comparison';
import { openComparison } from '../comparison/openComparison';
import type { Workspace } from '../kept/workspace';
import { OwnMaterial } from '../models/ownMaterial';

const MOST_CLASHES = 200;
const EXCERPT = 120;
type Answered = AnsweringView['keywords'][number];

/**
 * One answering target for each keyword (method §11): the one that somebody named, else our best-placed, else the one that
 * holds most of its words and at least half of them, else a new one. The most searched first; *off* is left out.
 */
export async function answering(
  workspace: Workspace,
  projectId: number,
  { limit, ...scope }: z.output<typeof answeringQuery>,
): Promise<AnsweringView> {
  const { comparison } = await openComparison(workspace, projectId, scope);
  const { columns, keywords, market, sides, date, now, rows, served } = comparison;
  const chosen = await answeringTargets(workspace.database, projectId, market.id);
  const material = new OwnMaterial(sides, market.language, date);
  const places = new Map(sides.ownPlaces.map((place) => [place.id, place]));
  const titles = new Map(sides.ownPlaces.map(({ address, title }) => [address, title]));
  const wanted: number[] = [];
  for (let i = 0; i < keywords.length; i++)
    if (columns.fit[i]! > 0 && columns.expectedVolume[i]! > 0) wanted.push(i);
  wanted.sort((a, b) => columns.expectedVolume[b]! - columns.expectedVolume[a]! || a - b);
  const placeOf = (i: number): number => now.ownPlace[rows[i]!]! || served.place[i]!;
  const isAnswered = (id: number): boolean => (chosen.get(id)?.address ?? '') !== '';
  const shown = wanted.slice(0, limit);
  const texts = await keywordsById(
    workspace.database,
    shown.map((i) => keywords[i]!),
  );
  const answer = (i: number): Answered => {
    const id = keywords[i]!;
    const { text } = texts.get(id)!;
    const demand = columns.expectedVolume[i]!;
    const said = chosen.get(id);
    const told = (address: string, why: Answered['why'], excerpt: string, person = ''): Answered => ({
      keyword: { id, text },
      demand: Number.isNaN(demand) ? null : demand,
      address,
      title: titles.get(address) ?? '',
      why,
      excerpt,
      person,
    });
    if (said) return told(said.address, 'said by hand', '', said.person);
    const standing = places.get(now.ownPlace[rows[i]!]!);
    if (standing)
      return told(standing.address, 'stands best', excerptOf(material, standing.id, text, market.language));
    const half = material.holdingMost(key(text));
    if (half === null) return told('', 'nothing of ours answers', '');
    return told(half.address, 'holds most words', excerptOf(material, half.id, text, market.language));
  };
  const answered = shown.map(answer);
  const answers = new Set([...wanted.map((i) => placeOf(i)), ...answered.map(({ address }) => address)]);
  return {
    keywords: answered,
    without: wanted.filter((i) => placeOf(i) === 0 && !isAnswered(keywords[i]!)).length,
    idle: sides.ownPlaces
      .filter(({ id, address, title }) => title !== '' && !answers.has(id) && !answers.has(address))
      .map(({ address, title }) => ({ address, title }))
      .slice(0, MOST_CLASHES),
    planned: await plannedTargets(workspace.database, projectId, market.code),
    clashes: await clashesOf(workspace, comparison, wanted),
  };
}

/** Keywords for which two targets of ours or more stand in the newest capture. */
async function clashesOf(
  { database }: Workspace,
  { columns, keywords, now, rows, sides }: Comparison,
  wanted: readonly number[],
): Promise<AnsweringView['clashes']> {
  const places = new Map(sides.ownPlaces.map((place) => [place.id, place.address]));
  const found = wanted.filter((i) => columns.ownTargets[i]! > 1).slice(0, MOST_CLASHES);
  const ids = found.map((i) => keywords[i]!);
  const texts = await keywordsById(database, ids);
  return found.map((i, n) => ({
    keyword: { id: ids[n]!, text: texts.get(ids[n]!)!.text },
    count: columns.ownTargets[i]!,
    best: { address: places.get(now.ownPlace[rows[i]!]!) ?? '', position: columns.ownOrganic[i]! },
  }));
}

/** The part of a target’s text that holds most words of a keyword. */
function excerptOf(material: OwnMaterial, place: number, keyword: string, language: string): string {
  const words = material.wordsOf(place);
  if (words === null) return '';
  const sought = new Set(prepareKeyword(key(keyword), language).content);
  const held = (text: string): number =>
    new Set(
      key(text)
        .split(' ')
        .map((word) => stem(word, language))
        .filter((word) => sought.has(word)),
    ).size;
  const sentences = [words.title, ...words.fields.flatMap((field) => field.split(/(?<=[.!?])\s+|\n+/))];
  let best = '';
  let most = 0;
  for (const sentence of sentences) {
    const count = held(sentence);
    if (count > most) [best, most] = [sentence, count];
  }
  return best.length > EXCERPT ? `${best.slice(0, EXCERPT - 1)}…` : best;
}
