/** The stages in the order of the work, by the part of the address that names them. */
export const STAGE_NAMES = {
  roster: 'Roster',
  'look-up': 'Look-up',
  sift: 'Sift',
  gaps: 'Gaps',
  rounds: 'Rounds',
  drafts: 'Drafts',
  watch: 'Watch',
  report: 'Report',
} as const;

/** The parts of every stage that has several, in their order; the first is what opens by itself. */
export const STAGE_PARTS = {
  roster: [
    { value: 'who', label: 'Who' },
    { value: 'find', label: 'Find rivals' },
    { value: 'index', label: 'Own pages in the index' },
    { value: 'channels', label: 'Channel keywords' },
    { value: 'words', label: 'Words not to use' },
    { value: 'files', label: 'Files' },
    { value: 'settings', label: 'Settings' },
  ],
  'look-up': [
    { value: 'targets', label: 'Targets' },
    { value: 'seeds', label: 'Seeds' },
    { value: 'list', label: 'A list' },
  ],
  sift: [
    { value: 'table', label: 'Table' },
    { value: 'words', label: 'Words' },
    { value: 'variants', label: 'Variants' },
    { value: 'clusters', label: 'Clusters' },
    { value: 'tree', label: 'Tree' },
    { value: 'compare', label: 'Compare' },
    { value: 'desk', label: 'Desk' },
    { value: 'lists', label: 'Lists' },
  ],
  gaps: [
    { value: 'table', label: 'Table' },
    { value: 'work', label: 'What to do' },
    { value: 'map', label: 'Map' },
    { value: 'paid', label: 'Paid' },
    { value: 'time', label: 'Over time' },
    { value: 'queries', label: 'Own queries' },
    { value: 'surfaces', label: 'Across surfaces' },
    { value: 'two', label: 'Two keywords' },
  ],
  rounds: [
    { value: 'board', label: 'Board' },
    { value: 'calendar', label: 'Calendar' },
    { value: 'answering', label: 'Answering targets' },
  ],
  drafts: [
    { value: 'list', label: 'Drafts' },
    { value: 'titles', label: 'Own titles' },
    { value: 'published', label: 'Published' },
  ],
  watch: [
    { value: 'keywords', label: 'Keywords' },
    { value: 'changes', label: 'Changes' },
    { value: 'total', label: 'In total' },
    { value: 'targets', label: 'Our targets' },
    { value: 'alerts', label: 'Alerts' },
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
