import { type ProjectSettings, projectSettings } from '@opsimath/contract/api/projects';
import { ACTIONS } from '@opsimath/core/gap/action';

const USUAL = projectSettings.parse({});

/** What of the settings that decide the figures of gaps is not as usual, in words. */
export function notUsual(settings: ProjectSettings): string[] {
  const told: string[] = [];
  if (settings.front !== USUAL.front) told.push(`front ${settings.front}`);
  if (settings.defaultWorth !== USUAL.defaultWorth) told.push(`worth without CPC ${settings.defaultWorth}`);
  for (const action of ACTIONS)
    if (settings.efforts[action] !== USUAL.efforts[action])
      told.push(`effort to ${action} ${settings.efforts[action]}`);
  for (const surface of ['web', 'video', 'marketplace'] as const) {
    const { first, decay } = settings.curvePrior[surface];
    const usual = USUAL.curvePrior[surface];
    if (first !== usual.first || decay !== usual.decay) told.push(`curve of ${surface} ${first}, ${decay}`);
  }
  if (!settings.curveFitted) told.push('curve not fitted');
  if (settings.brandLeftOut) told.push('own name left out of the curve');
  if (!settings.chanceFitted) told.push('default weights of chance');
  if (settings.chanceWeights.some((weight, n) => weight !== USUAL.chanceWeights[n]))
    told.push('weights of chance that is not fitted');
  if (settings.margin !== null) told.push(`margin ${settings.margin}`);
  if (settings.conversionRate !== null) told.push(`conversion rate ${settings.conversionRate}`);
  if (settings.volumeBorrowed) told.push('volume borrowed where unknown');
  if (settings.handCounts) told.push('positions typed in count');
  return told;
}
