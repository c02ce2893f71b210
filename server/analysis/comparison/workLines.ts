import type { WorkLine } from '@opsimath/contract/api/whatToDo';
import { type WorthParts, spreadOfSum } from '@opsimath/core/gap/spreadOfWorth';
import { reason } from '@opsimath/core/gap/reason';
import { prepareText } from '@opsimath/core/gap/textStanding';
import { worthParts } from '@opsimath/core/gap/worthParts';
import { proposedTitle } from '@opsimath/core/plan/proposedTitle';
import type { Served, Work } from '@opsimath/core/plan/workList';
import { key } from '@opsimath/core/text/key';
import { stem } from '@opsimath/core/text/stems';
import { keywordsById } from '../../data/keywords';
import { volumeRangeOf } from '../facts/metrics';
import type { Workspace } from '../kept/workspace';
import { OwnMaterial } from '../models/ownMaterial';
import type { Comparison } from './comparison';
import { FORETOLD_OF } from './foretell';
import { reasonFacts } from './gapRow';
import { toldElsewhere } from './pageEffects';

export const WORK_SEED = 20_260_315;
/** Served keywords that are named, and those that the spread of a line is drawn from: the rest adds little to either. */
const MOST_NAMED = 60;
const MOST_DRAWN = 12;

/** What spreads a line: its keywords of most value, each drawn on its own; the cost goes with the first. */
export function partsOfWork(comparison: Comparison, work: Work): WorthParts[] {
  const { columns, gainErrors, worthSigma, metrics, rows } = comparison;
  const foretold = FORETOLD_OF[work.action];
  const most = [...work.serves].sort((a, b) => Math.abs(b.value) - Math.abs(a.value)).slice(0, MOST_DRAWN);
  const rest = work.value + work.cost - most.reduce((sum, { value }) => sum + value, 0);
  return most.map(({ entry: i, clicks, value }, n) => {
    const searched = columns.expectedVolume[i]! * columns.featureFactor[i]!;
    return worthParts({
      volumeRange: volumeRangeOf(metrics, rows[i]!),
      clicks,
      value: value + (n === 0 ? rest - work.cost : 0),
      clicksError: foretold === undefined ? 0 : i === work.lead ? searched * gainErrors[foretold][i]! : NaN,
      worth: columns.worth[i]!,
      worthSigma: worthSigma[i]!,
      fit: columns.fit[i]!,
      effort: work.effort,
    });
  });
}

/** Pieces of work as they are told: with the title that is meant, the words lacking, the keywords served, the spread, why. */
export async function linesOf(
  { database }: Workspace,
  comparison: Comparison,
  works: readonly Work[],
): Promise<WorkLine[]> {
  const { keywords, sides, market, date, project } = comparison;
  const material = new OwnMaterial(sides, market.language, date);
  const named = works.map(({ lead, serves }) =>
    [...serves]
      .sort(
        (a, b) =>
          Number(b.entry === lead) - Number(a.entry === lead) || Math.abs(b.value) - Math.abs(a.value),
      )
      .slice(0, MOST_NAMED),
  );
  const texts = await keywordsById(
    database,
    [...new Set(works.flatMap(({ lead }, n) => [lead, ...named[n]!.map(({ entry }) => entry)]))].map(
      (i) => keywords[i]!,
    ),
  );
  const textOf = (i: number): string => {
    const id = keywords[i]!;
    return texts.get(id)!.text;
  };
  const places = new Map(sides.ownPlaces.map((place) => [place.id, place]));
  return works.map((work, n): WorkLine => {
    const lead = textOf(work.lead);
    const place = places.get(work.place) ?? null;
    const words = place === null ? null : material.wordsOf(place.id);
    const limit = project.settings.titleLimits[market.surface];
    const isNew = FORETOLD_OF[work.action] === 'written';
    const why = reasonFacts(comparison, work.lead, work.action, {
      value: work.value,
      elsewhere: toldOf(work.serves.filter(({ entry }) => entry !== work.lead)),
    });
    return {
      action: work.action,
      target: place === null ? null : { address: place.address, title: place.title },
      lead: { id: keywords[work.lead]!, text: lead },
      title:
        isNew || (FORETOLD_OF[work.action] === 'retitled' && words !== null)
          ? proposedTitle(lead, words?.title ?? '', limit, market.language)
          : null,
      words:
        FORETOLD_OF[work.action] === 'strengthened' && words !== null
          ? lacking(lead, words.fields, market.language)
          : [],
      served: toldOf(work.serves),
      clicks: work.serves.reduce((sum, { clicks }) => sum + clicks, 0),
      cost: work.cost,
      value: work.value,
      ...spreadOfSum(partsOfWork(comparison, work), WORK_SEED),
      effort: work.effort,
      priority: work.priority,
      reason: reason(why),
      why,
      serves: named[n]!.map(({ entry, clicks, value }) => ({
        id: keywords[entry]!,
        text: textOf(entry),
        clicks,
        value,
      })),
    };
  });
}

const toldOf = (serves: readonly Served[]): WorkLine['served'] =>
  toldElsewhere(serves.map(({ clicks }) => clicks));

/** Words of a keyword that the fields beside the title lack in any form. */
function lacking(keyword: string, fields: readonly string[], language: string): string[] {
  const { fieldStems } = prepareText('', fields, language);
  return key(keyword)
    .split(' ')
    .filter((word) => !fieldStems.has(stem(word, language)));
}
