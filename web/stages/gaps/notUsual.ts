import { SURFACES } from '@opsimath/core/text/surfaces';
import type { ProjectSettings } from '@opsimath/contract/api/projects';
import { USUAL_SETTINGS as USUAL } from '@opsimath/contract/api/usualSettings';
import { ACTIONS } from '@opsimath/core/gap/action';
import { t, wordOf } from '../../words/t';

/** What of the settings that decide the figures of gaps is not as usual, in words. */
export function notUsual(settings: ProjectSettings): string[] {
  const told: string[] = [];
  if (settings.front !== USUAL.front) told.push(t('gaps:notUsual.frontFront', { front: settings.front }));
  if (settings.defaultWorth !== USUAL.defaultWorth)
    told.push(t('gaps:notUsual.worthWithoutCPCDefaultWorth', { defaultWorth: settings.defaultWorth }));
  for (const action of ACTIONS)
    if (settings.efforts[action] !== USUAL.efforts[action])
      told.push(
        t('gaps:notUsual.effortToActionAction2', {
          action: wordOf(action),
          action2: settings.efforts[action],
        }),
      );
  for (const surface of SURFACES) {
    const { first, decay } = settings.curvePrior[surface];
    const usual = USUAL.curvePrior[surface];
    if (first !== usual.first || decay !== usual.decay)
      told.push(t('gaps:notUsual.curveOfSurfaceFirstDecay', { surface: wordOf(surface), first, decay }));
  }
  if (!settings.curveFitted) told.push(t('gaps:notUsual.curveNotFitted'));
  if (settings.brandLeftOut) told.push(t('gaps:notUsual.ownNameLeftOutOfThe'));
  if (!settings.chanceFitted) told.push(t('gaps:notUsual.defaultWeightsOfChance'));
  if (settings.chanceWeights.some((weight, n) => weight !== USUAL.chanceWeights[n]))
    told.push(t('gaps:notUsual.weightsOfChanceThatIsNot'));
  if (settings.margin !== null) told.push(t('gaps:notUsual.marginMargin', { margin: settings.margin }));
  if (settings.conversionRate !== null)
    told.push(t('gaps:notUsual.conversionRateConversionRate', { conversionRate: settings.conversionRate }));
  if (settings.volumeBorrowed) told.push(t('gaps:notUsual.volumeBorrowedWhereUnknown'));
  if (settings.handCounts) told.push(t('gaps:notUsual.positionsTypedInCount'));
  return told;
}
