import { t } from '../../words/t';

export interface TourStep {
  /** Where it is shown: a stage with the part that is opened. */
  path: string;
  view: string;
  /** What it speaks of. */
  shows: string;
  title: string;
  text: string;
}

const step = (path: string, view: string, shows: string, title: string, text: string): TourStep => ({
  ...{ path, view, shows, title, text },
});

/** The way through the application, a step a stage and three for Gaps. */
export const TOUR_STEPS: readonly TourStep[] = [
  step('roster', '', '.targets', t('shell:tourSteps.whoWeAre'), t('shell:tourSteps.whoWeAreText')),
  step('look-up', '', '.look-up, .pool', t('shell:tourSteps.lookUp'), t('shell:tourSteps.lookUpText')),
  step('sift', '', '.sift-body, .sift', t('shell:tourSteps.sift'), t('shell:tourSteps.siftText')),
  step('gaps', '', '.kinds', t('shell:tourSteps.kinds'), t('shell:tourSteps.kindsText')),
  step('gaps', '', '[role="grid"]', t('shell:tourSteps.lane'), t('shell:tourSteps.laneText')),
  step('gaps', 'work', 'table.work', t('shell:tourSteps.work'), t('shell:tourSteps.workText')),
  step('rounds', '', '.board-round', t('shell:tourSteps.rounds'), t('shell:tourSteps.roundsText')),
  step('drafts', '', 'main table', t('shell:tourSteps.drafts'), t('shell:tourSteps.draftsText')),
  step('watch', '', '.strips', t('shell:tourSteps.watch'), t('shell:tourSteps.watchText')),
  step('report', '', '.paper, main', t('shell:tourSteps.report'), t('shell:tourSteps.reportText')),
];
