/**
 * What answers rest on. Each is counted up by every write of it (server/data/migrations, 0012), for the project, market
 * or look-up that it belongs to.
 */
export const GROUND_SCOPES = {
  projects: 'project',
  roster: 'project',
  words: 'project',
  index: 'project',
  tracked: 'project',
  notes: 'project',
  readings: 'project',
  hand: 'project',
  choices: 'project',
  /** Rounds, their tasks, and which target is to answer a keyword. */
  rounds: 'project',
  /** Drafts, their versions, and what was published. */
  drafts: 'project',
  /** Reports, those that were frozen, who may read them, when they are made. */
  reports: 'project',
  bids: 'project',
  verdicts: 'project',
  recipes: 'project',
  variants: 'project',
  leaves: 'project',
  lists: 'project',
  markers: 'project',
  imports: 'project',
  exports: 'project',
  lookUps: 'project',
  lookUp: 'look-up',
  facts: 'market',
  /** Keywords that were respelled or are gone; and those that came, of which no fact is told yet. */
  keywords: 'market',
  'new keywords': 'market',
  auctions: 'market',
  markets: 'all',
  translations: 'all',
  records: 'all',
} as const;
export type Ground = keyof typeof GROUND_SCOPES;
export const GROUNDS = Object.keys(GROUND_SCOPES) as Ground[];
