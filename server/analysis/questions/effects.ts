import type { PublishedChange } from '@opsimath/contract/api/drafts';
import type { ChangeEffect, EffectsView, watchQuery } from '@opsimath/contract/api/watch';
import { dayOf } from '@opsimath/core/day';
import { effectOf } from '@opsimath/core/effect/effectOf';
import { positionOfScore } from '@opsimath/core/effect/score';
import { daysApart } from '@opsimath/core/watch/schedule';
import type { z } from 'zod';
import { listTasks } from '../../data/tasks';
import { watchPlans } from '../../data/watchPlans';
import { type AdRow, adRowsOf } from '../facts/adTerms';
import { placesById } from '../../data/places';
import { type OwnHeld, changeAds, changeVersions } from '../comparison/changeVersions';
import { ChangeSeries } from '../comparison/changeSeries';
import type { Comparison } from '../comparison/comparison';
import { effectFigures, ownClicks } from '../comparison/effectFigures';
import { type OpenComparison, openComparison } from '../comparison/openComparison';
import { ownFigures } from '../facts/ownFigures';
import { watchedSeries } from '../facts/watchedSeries';
import type { Workspace } from '../kept/workspace';

/** What each change of a market did, as far as it can be told (method §16). */
export async function effects(
  workspace: Workspace,
  projectId: number,
  { market, date }: Pick<z.output<typeof watchQuery>, 'market' | 'date'>,
): Promise<EffectsView> {
  const opened = await openComparison(workspace, projectId, { market, date });
  return workspace.keep('effects', opened.revisions, [opened.name], () =>
    gather(workspace, projectId, opened),
  );
}

/** Tasks of a market whose effect can be told by a date. */
export async function measuredTasks(
  workspace: Workspace,
  projectId: number,
  scope: { market: string; date: string },
): Promise<ReadonlySet<number>> {
  const { changes } = await effects(workspace, projectId, scope);
  return new Set(
    changes.flatMap(({ task, effect }) => (task !== null && effect.state === 'told' ? [task] : [])),
  );
}

/** What the effects of all changes are told from. */
interface Ground {
  comparison: Comparison;
  series: ChangeSeries;
  /** Days from one planned capture to the next. */
  every: number | null;
  /** Clicks a month by task, as they were foretold. */
  foretold: ReadonlyMap<number, number>;
  own: OwnHeld;
  ads: readonly AdRow[];
  changes: readonly PublishedChange[];
}

async function gather(
  workspace: Workspace,
  projectId: number,
  { comparison, revisions }: OpenComparison,
): Promise<EffectsView> {
  const { database } = workspace;
  const { market, sides, project, date } = comparison;
  const watched = await watchedSeries(workspace, projectId, revisions, market, sides);
  const changes = watched.changes.filter((one) => one.date <= date && one.state !== 'asked');
  const [plan] = await watchPlans(database, { project: projectId, market: market.id });
  const own = await ownFigures(workspace, revisions, projectId, market.id, date);
  const ads = await adRowsOf(workspace, revisions, projectId, market.id);
  const ground: Ground = {
    comparison,
    series: new ChangeSeries(comparison, watched, changes),
    every: daysApart(plan?.weekdays ?? []),
    foretold: new Map((await listTasks(database, projectId)).map(({ id, clicks }) => [id, clicks])),
    own: { ...own, addresses: await addressesOf(workspace, own.rows, ads) },
    ...{ ads, changes },
  };
  const told = changes.map((change) => toldChange(ground, change));
  return { currency: project.settings.currency, changes: told, kinds: byKind(told) };
}

/** Addresses of the places that own figures and ads are of. */
async function addressesOf(
  { database }: Workspace,
  ...rows: (readonly { place: number }[])[]
): Promise<Map<number, string>> {
  const places = await placesById(database, new Set(rows.flatMap((some) => some.map(({ place }) => place))));
  return new Map([...places].map(([id, { address }]) => [id, address]));
}

function toldChange(
  { comparison, series, changes, every, foretold, own, ads }: Ground,
  change: PublishedChange,
): ChangeEffect {
  const span = series.spanOf(change);
  const aimed = change.keywords.map(({ id }) => id);
  const beside = series.beside(span);
  const [treated, control] = [series.of(aimed), series.of(beside)];
  const effect = effectOf(treated, control, span.day, span.windows);
  const means = new Map(effect.state === 'told' ? effect.keywords.map((one) => [one.keyword, one]) : []);
  const place = (value: number | undefined): number | null =>
    value === undefined ? null : positionOfScore(value, comparison.market.depth);
  const { id, date, kind, address, note, seenFrom, draft, task } = change;
  return {
    ...{ id, date, kind, address, note, seenFrom, draft, task },
    mixedWith: series.mixedWith(span),
    foretold: task === null ? null : (foretold.get(task) ?? null),
    keywords: change.keywords.map((keyword) => ({
      ...keyword,
      before: place(means.get(keyword.id)?.before),
      after: place(means.get(keyword.id)?.after),
    })),
    effect: effectFigures(comparison, {
      ...{ effect, treated, control, span, every },
      today: dayOf(comparison.date),
    }),
    curve: series.curve(aimed, beside, span),
    followed: ownClicks(own, span),
    versions: changeVersions(own, span, changes),
    ads: changeAds(ads, own.addresses, span),
  };
}

/** What kinds of change have worked here, and how that compares with what was foretold. */
function byKind(changes: readonly ChangeEffect[]): EffectsView['kinds'] {
  const kinds = new Map<ChangeEffect['kind'], EffectsView['kinds'][number]>();
  for (const { kind, effect, foretold, mixedWith } of changes) {
    if (effect.state !== 'told' || mixedWith.length > 0) continue;
    const known = kinds.get(kind) ?? { kind, told: 0, gained: 0, clicks: 0, foretold: null };
    kinds.set(kind, {
      kind,
      told: known.told + 1,
      gained: known.gained + Number(effect.low > 0),
      clicks: known.clicks + effect.clicks.middle,
      foretold: foretold === null ? known.foretold : (known.foretold ?? 0) + foretold,
    });
  }
  return [...kinds.values()].sort((a, b) => b.told - a.told);
}
