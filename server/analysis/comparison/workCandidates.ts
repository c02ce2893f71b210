import { bandClicks, expectedClickThrough } from '@opsimath/core/forecast/bands';
import { distributionAt } from '@opsimath/core/forecast/orderedLogit';
import { ACTIONS, NEW_TARGET } from '@opsimath/core/gap/action';
import { planFacts } from '@opsimath/core/gap/compare';
import { prepareKeyword, prepareText, textStanding } from '@opsimath/core/gap/textStanding';
import { weighAll } from '@opsimath/core/plan/weigh';
import type { Served, WorkCandidate } from '@opsimath/core/plan/workList';
import { mostOf } from '@opsimath/core/rounds/roundProblem';
import { keywordKeysText } from '../../data/keywordKeys';
import { givingWay } from '../kept/giveWay';
import type { Workspace } from '../kept/workspace';
import type { Comparison } from './comparison';
import { FORETOLD_OF } from './foretell';
import { MOST_CLUSTERED, clustersOf } from './gapClusters';

/** Keywords that one new target is planned for. */
const MOST_OF_CLUSTER = 40;

/** Everything that could be done and would bring something by itself. */
export async function workCandidates(workspace: Workspace, comparison: Comparison): Promise<WorkCandidate[]> {
  const candidates: WorkCandidate[] = [];
  const { columns, gaps, market, project, keywords, effects, served } = comparison;
  const { efforts, shareMoved } = project.settings;
  const unserved: number[] = [];
  const giveWay = givingWay();
  for (let i = 0; i < keywords.length; i++) {
    if (i % 256 === 0) await giveWay();
    // Where the best that can be done, or what was chosen, is not known to bring anything, nothing else is.
    if (!(gaps.worthAMonth[i]! > 0)) continue;
    const facts = planFacts(columns, i, gaps.doubling[i] === 1, { surface: market.surface, shareMoved });
    const chosen = columns.chosen[i] === 0 ? null : ACTIONS[columns.chosen[i]! - 1]!;
    const weighed = weighAll(facts, efforts);
    const isChosen = weighed.some(({ action }) => action === chosen);
    for (const one of weighed) {
      if (Number.isNaN(one.value) || (isChosen && one.action !== chosen)) continue;
      const foretold = FORETOLD_OF[one.action];
      // What is off leads no page.
      if (foretold !== undefined && columns.fit[i] === 0) continue;
      if (foretold === 'written') {
        if (one.value > 0) unserved.push(i);
        continue;
      }
      const effect = foretold === undefined ? undefined : effects[foretold].get(i);
      const serves: Served[] = [
        { entry: i, clicks: one.clicks, value: one.clicks * facts.worth * facts.fit },
      ];
      effect?.entry.forEach((entry, n) => {
        const clicks = effect.clicks[n]!;
        serves.push({ entry, clicks, value: clicks * columns.worth[entry]! * columns.fit[entry]! });
      });
      candidates.push({
        action: one.action,
        place: foretold === undefined ? 0 : served.place[i]!,
        lead: i,
        serves,
        cost: one.cost,
        effort: one.effort,
      });
    }
  }
  candidates.push(...(await newTargets(workspace, comparison, unserved)));
  return candidates.filter((candidate) => mostOf(candidate) > 0);
}

/** One target to write for each cluster of keywords that nothing of ours serves, led by the one that is worth most. */
async function newTargets(
  workspace: Workspace,
  comparison: Comparison,
  unserved: readonly number[],
): Promise<WorkCandidate[]> {
  if (unserved.length === 0) return [];
  const { columns, keywords, market, project, models, served } = comparison;
  const clusters = keywords.length > MOST_CLUSTERED ? null : await clustersOf(workspace, comparison);
  const valueOf = (i: number): number =>
    columns.expectedVolume[i]! *
    columns.featureFactor[i]! *
    columns.written.clickThrough[i]! *
    columns.worth[i]! *
    columns.fit[i]!;
  const groups = new Map<number, number[]>();
  for (const i of unserved) {
    const number = clusters === null ? i : clusters[i]!;
    const group = groups.get(number);
    if (group) group.push(i);
    else groups.set(number, [i]);
  }
  const { entry } = models.forecast.model;
  const bandsOf = bandClicks(models.curve);
  const through = (score: number): number =>
    expectedClickThrough(distributionAt(entry.thresholds, score), bandsOf);
  const action = NEW_TARGET[market.surface];
  const wanted = [...groups.values()].map((group) =>
    group.sort((a, b) => valueOf(b) - valueOf(a) || a - b).slice(0, MOST_OF_CLUSTER),
  );
  const asked = Int32Array.from(wanted.flat()).sort();
  const keys = await keywordKeysText(
    workspace.database,
    market.id,
    asked.map((i) => keywords[i]!),
  );
  const texts = keys.split('\n');
  const keyOf = new Map(Array.from(asked, (i, n) => [i, texts[n]!]));
  return wanted.map((group): WorkCandidate => {
    const lead = group[0]!;
    const title = prepareText(keyOf.get(lead)!, [], market.language);
    const serves = group.map((i): Served => {
      const sought = textStanding(prepareKeyword(keyOf.get(i)!, market.language), title);
      // Planned with the phrase and all words in the title: what the lead’s title lacks of them goes off.
      const score =
        served.entryScore[i]! -
        entry.weights[1]! * (1 - sought.phraseInTitle) -
        entry.weights[2]! * (1 - sought.wordsInTitle);
      const clicks =
        columns.expectedVolume[i]! *
        columns.featureFactor[i]! *
        (i === lead ? columns.written.clickThrough[i]! : through(score));
      return { entry: i, clicks, value: clicks * columns.worth[i]! * columns.fit[i]! };
    });
    return {
      action,
      place: 0,
      lead,
      serves: serves.filter(({ clicks }) => !Number.isNaN(clicks)),
      cost: 0,
      effort: project.settings.efforts[action],
    };
  });
}
