/** A section of a new report: its kind, its heading, and what it is made from. */
export interface PlannedSection {
  kind: string;
  heading: string;
  settings?: { most?: number; draws?: 'visibility' | 'clicks' | 'front'; round?: number };
}

const END: readonly PlannedSection[] = [
  { kind: 'glossary', heading: 'Words used' },
  { kind: 'quality', heading: 'What this rests on' },
];

/** Sections that a report begins with, by template. The conclusion comes first, what it rests on last. */
export const TEMPLATES = {
  gaps: [
    { kind: 'summary', heading: 'In short' },
    { kind: 'first', heading: 'What to do first', settings: { most: 20 } },
    { kind: 'examples', heading: 'Three examples' },
    { kind: 'standing', heading: 'How everybody stands' },
    { kind: 'kinds', heading: 'Gaps by kind' },
    { kind: 'gaps', heading: 'The gaps', settings: { most: 30 } },
    { kind: 'paid', heading: 'Paid against organic' },
    { kind: 'movers', heading: 'What moved' },
    ...END,
  ],
  audit: [
    { kind: 'summary', heading: 'In short' },
    { kind: 'first', heading: 'Three things to do first', settings: { most: 3 } },
    { kind: 'examples', heading: 'Three examples' },
    { kind: 'holds', heading: 'What it ranks for' },
    { kind: 'near', heading: 'Within reach: positions 11 to 50', settings: { most: 25 } },
    { kind: 'titles', heading: 'Titles, and room left unused' },
    { kind: 'words', heading: 'Words that it lacks' },
    { kind: 'blocks', heading: 'Blocks that others hold' },
    { kind: 'paid', heading: 'Paid against organic' },
    { kind: 'authority', heading: 'Links' },
    ...END,
  ],
  round: [
    { kind: 'summary', heading: 'In short' },
    { kind: 'round', heading: 'What was done, and what moved' },
    { kind: 'effects', heading: 'What it did' },
    { kind: 'course', heading: 'Visibility', settings: { draws: 'visibility' } },
    { kind: 'first', heading: 'What comes next', settings: { most: 10 } },
    ...END,
  ],
  months: [
    { kind: 'summary', heading: 'In short' },
    { kind: 'months', heading: 'This month against the one before' },
    { kind: 'standing', heading: 'How everybody stands' },
    { kind: 'movers', heading: 'What moved' },
    { kind: 'course', heading: 'Clicks', settings: { draws: 'clicks' } },
    { kind: 'effects', heading: 'What was changed, and what it did' },
    { kind: 'first', heading: 'What to do next', settings: { most: 10 } },
    ...END,
  ],
  empty: [],
} as const satisfies Record<string, readonly PlannedSection[]>;
