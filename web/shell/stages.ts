import type { ProjectOverview } from '@opsimath/contract/api/projects';

/** The stages that are built, in the order of the work, each with the letter that goes to it after `g`. */
export const STAGES = [
  {
    path: 'roster',
    name: 'Roster',
    letter: 'r',
    count: (overview: ProjectOverview) => overview.targets.own + overview.targets.rival,
  },
  { path: 'look-up', name: 'Look-up', letter: 'l', count: (overview: ProjectOverview) => overview.lookUps },
  { path: 'sift', name: 'Sift', letter: 's', count: (overview: ProjectOverview) => overview.fits },
  { path: 'gaps', name: 'Gaps', letter: 'p', count: (overview: ProjectOverview) => overview.keywords },
  { path: 'rounds', name: 'Rounds', letter: 'o', count: (overview: ProjectOverview) => overview.tasks },
  { path: 'drafts', name: 'Drafts', letter: 'd', count: (overview: ProjectOverview) => overview.drafts },
  { path: 'watch', name: 'Watch', letter: 'w', count: (overview: ProjectOverview) => overview.tracked },
  { path: 'report', name: 'Report', letter: 't', count: () => null },
] as const;
