import { clickThroughAfter } from '@opsimath/core/forecast/afterChange';
import { bandClicks } from '@opsimath/core/forecast/bands';
import { scoredChange } from '@opsimath/core/forecast/forecast';
import type { ComparisonColumns, ElsewhereColumns } from '@opsimath/core/gap/compare';
import { prepareKeyword, prepareText, retitled } from '@opsimath/core/gap/textStanding';
import { proposedTitle } from '@opsimath/core/plan/proposedTitle';
import { MOST_LEADS, MOST_SIBLINGS, PageKeywords, type ServedKeyword } from '@opsimath/core/plan/siblings';
import type { Database } from '../../data/storage/connection';
import { keywordKeys } from '../../data/keywordKeys';
import { givingWay } from '../kept/giveWay';
import type { OwnMaterial } from '../models/ownMaterial';
import type { ComparisonParts } from './comparison';

/** What each action does to other keywords of the page that it is done to, by the entry it is done for. */
export type PageEffects = Record<'retitled' | 'strengthened', ReadonlyMap<number, Effect>>;

/** Entries of the comparison, and clicks a month that each wins; lost below 0. */
export interface Effect {
  entry: Int32Array;
  clicks: Float32Array;
}

/** Which of our targets serves each entry, 0 for none, and its score as it stands (method §6a); NaN where it is unknown. */
export interface ServedNotes {
  place: Int32Array;
  score: Float64Array;
  /** Its feature *phrase in title*, relative to the capture. */
  phraseGap: Float64Array;
  /** Score of a target written for it, where nothing serves; NaN elsewhere. */
  entryScore: Float64Array;
}

/** What the other keywords of a page win and lose, told apart: how many by a click a month or more, and clicks of all. */
export interface ToldElsewhere {
  won: { keywords: number; clicks: number };
  lost: { keywords: number; clicks: number };
}

/** @param clicks a month, one a keyword */
export function toldElsewhere(clicks: Iterable<number>): ToldElsewhere {
  const told = { won: { keywords: 0, clicks: 0 }, lost: { keywords: 0, clicks: 0 } };
  for (const one of clicks) {
    const side = one > 0 ? told.won : told.lost;
    side.clicks += Math.abs(one);
    if (Math.abs(one) >= 1) side.keywords++;
  }
  return told;
}

/** Rewords each page of ours for the keywords that would gain most by it, and says what its other keywords win and lose. */
export async function pageEffects(
  database: Database,
  { project, market, models, keywords }: ComparisonParts,
  columns: ComparisonColumns,
  served: ServedNotes,
  material: OwnMaterial,
): Promise<PageEffects> {
  const effects = { retitled: new Map<number, Effect>(), strengthened: new Map<number, Effect>() };
  const demandOf = (i: number): number => columns.expectedVolume[i]! * columns.featureFactor[i]!;
  const entries: number[] = [];
  for (let i = 0; i < served.place.length; i++)
    if (served.place[i] !== 0 && !Number.isNaN(served.score[i]!) && demandOf(i) > 0) entries.push(i);
  const ofPage = new Map<number, number[]>();
  for (const i of entries) {
    const list = ofPage.get(served.place[i]!);
    if (list) list.push(i);
    else ofPage.set(served.place[i]!, [i]);
  }
  const { model } = models.forecast;
  const clicks = bandClicks(models.curve);
  const { thresholds } = model.standing;
  const limit = project.settings.titleLimits[market.surface];
  const pages = [...ofPage].flatMap(([place, all]) => {
    const words = material.wordsOf(place);
    if (words === null) return [];
    const counting = all.sort((a, b) => demandOf(b) - demandOf(a) || a - b).slice(0, MOST_SIBLINGS);
    return [{ words, counting }];
  });
  const asked = pages.flatMap(({ counting }) => counting);
  const allKeys = await keywordKeys(
    database,
    market.id,
    asked.map((i) => keywords[i]!),
  );
  const giveWay = givingWay();
  let from = 0;
  for (const { words, counting } of pages) {
    await giveWay();
    const keys = allKeys.slice(from, (from += counting.length));
    const siblings = counting.map((i, n): ServedKeyword => ({
      keyword: prepareKeyword(keys[n]!, market.language),
      demand: demandOf(i),
      asIs: columns.asIs.clickThrough[i]!,
      after: (change) =>
        clickThroughAfter(
          thresholds,
          clicks,
          scoredChange(model, served.score[i]!, change, columns.ownOrganic[i]!, served.phraseGap[i]!),
        ),
    }));
    const text = prepareText(words.title, words.fields, market.language);
    const page = new PageKeywords(text, siblings);
    for (const name of ['retitled', 'strengthened'] as const)
      for (const lead of leadsOf(counting, columns, name, demandOf)) {
        const reworded =
          name === 'retitled'
            ? retitled(text, proposedTitle(keys[lead]!, words.title, limit, market.language))
            : prepareText(words.title, [...words.fields, keys[lead]!], market.language);
        const { keyword, clicks: won } = page.elsewhere(reworded, lead);
        effects[name].set(counting[lead]!, { entry: keyword.map((n) => counting[n]!), clicks: won });
      }
  }
  return effects;
}

/** Those of a page’s keywords that would themselves gain most, by index among them. */
function leadsOf(
  counting: readonly number[],
  columns: ComparisonColumns,
  name: 'retitled' | 'strengthened',
  demandOf: (i: number) => number,
): number[] {
  const gains = counting.flatMap((i, n) => {
    const gain =
      demandOf(i) * (columns[name].clickThrough[i]! - columns.asIs.clickThrough[i]!) * columns.worth[i]!;
    return gain > 0 ? [{ n, gain }] : [];
  });
  return gains
    .sort((a, b) => b.gain - a.gain || a.n - b.n)
    .slice(0, MOST_LEADS)
    .map(({ n }) => n);
}

/** The sums of effects by the entry they are done for, each keyword at its own worth and fit. */
export function elsewhereColumns(
  effects: ReadonlyMap<number, Effect>,
  worth: Float64Array,
  fit: Float64Array,
): ElsewhereColumns {
  const sums = { clicks: new Float64Array(worth.length), value: new Float64Array(worth.length) };
  for (const [lead, { entry, clicks }] of effects)
    for (let n = 0; n < entry.length; n++) {
      sums.clicks[lead]! += clicks[n]!;
      sums.value[lead]! += clicks[n]! * worth[entry[n]!]! * fit[entry[n]!]!;
    }
  return sums;
}
