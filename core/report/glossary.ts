/** Words of a report and what they mean, in the order in which a reader meets them. */
export const GLOSSARY: readonly (readonly [word: string, meaning: string])[] = [
  ['keyword', 'What somebody types into a search.'],
  ['front', 'The positions that count as the first page of results.'],
  ['absent', 'The result page was looked through to its depth, and the site is not there.'],
  ['unknown', 'Nobody has looked yet. It is never counted as absent.'],
  ['buried', 'A rival stands on the front, we stand below it.'],
  ['trailing', 'Both stand on the front, a rival before us.'],
  ['open', 'Nobody who is compared stands on the front.'],
  ['leading', 'We stand on the front before every rival.'],
  ['alone', 'We stand on the front, and no rival does.'],
  ['demand', 'Searches a month over the coming three months: the mean of the last twelve × its season.'],
  ['chance', 'How likely it is to stand on the front at the horizon, after what is proposed. Estimated.'],
  ['as it is', 'The same if nothing is done.'],
  ['clicks', 'Clicks a month from a position: demand × click-through of the position. Estimated.'],
  [
    'worth of a click',
    'What a click brings: own conversions where they are known, else CPC × 0.7, else what the project says.',
  ],
  [
    'fit',
    'How far a keyword is ours: 1 for one judged to fit, less for one unjudged or adjacent, 0 for one judged off.',
  ],
  ['adds', 'What an action brings a month over doing nothing.'],
  ['priority', 'What an action adds a month, for one day of work on it.'],
  [
    'visibility',
    'Share of the clicks that go to a site, of all that standing first on every keyword would bring.',
  ],
  [
    'effect',
    'What a change did, beside keywords like its own that were left alone; with the range that holds the truth in 95 of 100 cases.',
  ],
  [
    'authority',
    'How strong the links to a site are, 0 to 100 on a logarithmic scale: each step up takes many times the links.',
  ],
];
