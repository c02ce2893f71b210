import type { ProjectOverview } from '@opsimath/contract/api/projects';
import { STAGE_NAMES } from '../state/stageParts';

/** The stages that are built, in the order of the work, each with the letter that goes to it after `g`. */
export const STAGES = [
  {
    path: 'roster',
    name: STAGE_NAMES.roster,
    letter: 'r',
    count: (overview: ProjectOverview) => overview.targets.own + overview.targets.rival,
  },
  {
    path: 'look-up',
    name: STAGE_NAMES['look-up'],
    letter: 'l',
    count: (overview: ProjectOverview) => overview.lookUps,
  },
  { path: 'sift', name: STAGE_NAMES.sift, letter: 's', count: (overview: ProjectOverview) => overview.fits },
  {
    path: 'gaps',
    name: STAGE_NAMES.gaps,
    letter: 'p',
    count: (overview: ProjectOverview) => overview.keywords,
  },
  {
    path: 'rounds',
    name: STAGE_NAMES.rounds,
    letter: 'o',
    count: (overview: ProjectOverview) => overview.tasks,
  },
  {
    path: 'drafts',
    name: STAGE_NAMES.drafts,
    letter: 'd',
    count: (overview: ProjectOverview) => overview.drafts,
  },
  {
    path: 'watch',
    name: STAGE_NAMES.watch,
    letter: 'w',
    count: (overview: ProjectOverview) => overview.tracked,
  },
  { path: 'report', name: STAGE_NAMES.report, letter: 't', count: () => null },
] as const;
