import { t } from '../words/t';

/** The stages in the order of the work, by the part of the address that names them. */
export const STAGE_NAMES = {
  roster: t('shell:stageParts.roster'),
  'look-up': t('shell:stageParts.lookUp'),
  sift: t('shell:stageParts.sift'),
  gaps: t('shell:stageParts.gaps'),
  rounds: t('shell:stageParts.rounds'),
  drafts: t('shell:stageParts.drafts'),
  watch: t('shell:stageParts.watch'),
  report: t('shell:stageParts.report'),
} as const;

/** The parts of every stage that has several, in their order; the first is what opens by itself. */
export const STAGE_PARTS = {
  roster: [
    { value: 'who', label: t('shell:stageParts.who') },
    { value: 'find', label: t('shell:stageParts.findRivals') },
    { value: 'index', label: t('shell:stageParts.ownPagesInTheIndex') },
    { value: 'channels', label: t('shell:stageParts.channelKeywords') },
    { value: 'words', label: t('shell:stageParts.wordsNotToUse') },
    { value: 'files', label: t('shell:stageParts.files') },
    { value: 'settings', label: t('shell:stageParts.settings') },
  ],
  'look-up': [
    { value: 'targets', label: t('shell:stageParts.targets') },
    { value: 'seeds', label: t('shell:stageParts.seeds') },
    { value: 'list', label: t('shell:stageParts.aList') },
  ],
  sift: [
    { value: 'table', label: t('shell:stageParts.table') },
    { value: 'words', label: t('shell:stageParts.words') },
    { value: 'variants', label: t('shell:stageParts.variants') },
    { value: 'clusters', label: t('shell:stageParts.clusters') },
    { value: 'tree', label: t('shell:stageParts.tree') },
    { value: 'compare', label: t('shell:stageParts.compare') },
    { value: 'desk', label: t('shell:stageParts.desk') },
    { value: 'lists', label: t('shell:stageParts.lists') },
  ],
  gaps: [
    { value: 'table', label: t('shell:stageParts.table') },
    { value: 'work', label: t('shell:stageParts.whatToDo') },
    { value: 'map', label: t('shell:stageParts.map') },
    { value: 'paid', label: t('shell:stageParts.paid') },
    { value: 'time', label: t('shell:stageParts.overTime') },
    { value: 'queries', label: t('shell:stageParts.ownQueries') },
    { value: 'surfaces', label: t('shell:stageParts.acrossSurfaces') },
    { value: 'two', label: t('shell:stageParts.twoKeywords') },
  ],
  rounds: [
    { value: 'board', label: t('shell:stageParts.board') },
    { value: 'calendar', label: t('shell:stageParts.calendar') },
    { value: 'answering', label: t('shell:stageParts.answeringTargets') },
  ],
  drafts: [
    { value: 'list', label: t('shell:stageParts.drafts') },
    { value: 'titles', label: t('shell:stageParts.ownTitles') },
    { value: 'published', label: t('shell:stageParts.published') },
  ],
  watch: [
    { value: 'keywords', label: t('shell:stageParts.keywords') },
    { value: 'changes', label: t('shell:stageParts.changes') },
    { value: 'total', label: t('shell:stageParts.inTotal') },
    { value: 'targets', label: t('shell:stageParts.ourTargets') },
    { value: 'alerts', label: t('shell:stageParts.alerts') },
  ],
} as const;
type StageWithParts = keyof typeof STAGE_PARTS;
export type PartOf<Stage extends StageWithParts> = (typeof STAGE_PARTS)[Stage][number]['value'];

/** Which part of a stage an address names; anything else is the first. */
export function partOf<Stage extends StageWithParts>(stage: Stage, view: string): PartOf<Stage> {
  const parts: readonly { value: PartOf<Stage> }[] = STAGE_PARTS[stage];
  return (parts.find(({ value }) => value === view) ?? parts[0]!).value;
}

/** How an address names a part: the first needs no name. */
export function viewOf(stage: StageWithParts, part: string): string {
  return part === STAGE_PARTS[stage][0].value ? '' : part;
}
