import type { ReportTemplate, SectionKind } from '@opsimath/contract/api/reports';

/** What each kind of section is called, and what stands in it. */
export const SECTION_WORDS: Record<SectionKind, { name: string; what: string }> = {
  summary: { name: 'In short', what: 'the conclusion of every section, in sentences' },
  note: { name: 'A note for the reader', what: 'your own words' },
  first: { name: 'What to do first', what: 'pieces of work with lane, reason and what they add' },
  examples: { name: 'Three examples', what: 'keywords that tell the whole' },
  standing: { name: 'How everybody stands', what: 'visibility, depth, paid keywords' },
  kinds: { name: 'Gaps by kind', what: 'absent, buried, trailing and the rest' },
  gaps: { name: 'The gaps', what: 'one row a keyword; of a list too' },
  paid: { name: 'Paid against organic', what: 'counts, what rivals buy, what is paid for twice' },
  movers: { name: 'What moved', what: 'up and down between the two dates' },
  course: { name: 'A curve over time', what: 'tracked keywords, with changes as marks' },
  effects: { name: 'Changes and effects', what: 'what each change did' },
  round: { name: 'A round', what: 'what was done, positions before and after' },
  months: { name: 'Month against month', what: 'own search performance' },
  holds: { name: 'What it ranks for', what: 'counts by depth and the best keywords' },
  near: { name: 'Within reach', what: 'positions 11 to 50 with their worth' },
  titles: { name: 'Titles and room', what: 'weak titles, room unused, empty fields' },
  words: { name: 'Words that it lacks', what: 'needed by keywords of others' },
  blocks: { name: 'Blocks that others hold', what: 'with their position and ours' },
  authority: { name: 'Links', what: 'authority, and what the scale means' },
  glossary: { name: 'Words used', what: 'what each word means' },
  quality: { name: 'What this rests on', what: 'sources, dates, what is estimated' },
};

export const TEMPLATE_WORDS: Record<Exclude<ReportTemplate, 'audit'>, { name: string; what: string }> = {
  gaps: {
    name: 'Gap report',
    what: 'What to do first, three examples, how everybody stands, the gaps, paid against organic, what moved.',
  },
  round: {
    name: 'Report on a round',
    what: 'What was done, where its keywords stood before and after, what it did, what comes next.',
  },
  months: {
    name: 'A month against the month before',
    what: 'Own search performance, what moved, what was changed and what it did.',
  },
  empty: { name: 'An empty report', what: 'Choose every section yourself.' },
};
