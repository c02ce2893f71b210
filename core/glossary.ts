/** One word as the application uses it. */
export interface GlossaryWord {
  word: string;
  meaning: string;
  /** Section of the method that defines it. */
  section?: string;
  /** Also among the words of a report, which its reader meets in this order. */
  inReport?: true;
}

const word = (name: string, meaning: string, section?: string, inReport?: 'in report'): GlossaryWord => ({
  ...{ word: name, meaning },
  ...(section !== undefined && { section }),
  ...(inReport && { inReport: true as const }),
});

/** Every word that means something of its own here: ours, and the trade’s as we use them. */
export const GLOSSARY: readonly GlossaryWord[] = [
  word('keyword', 'What somebody types into a search.', '1', 'in report'),
  word('surface', 'Where people search: web, video or marketplace.'),
  word('market', 'A surface in a place and a language: web search in the United States in English.'),
  word(
    'target',
    'Something that can rank: a page, video or listing, or its parent: a site, channel or shop. It is ours or a rival’s.',
  ),
  word('front', 'The positions that count as the first page of results.', '4', 'in report'),
  word(
    'look-up',
    'One reverse look-up: targets, market and date go in, every keyword they rank or pay for comes out.',
    '19',
  ),
  word('pool', 'The keywords that a look-up brought, each with where it came from.'),
  word(
    'capture',
    'One result page as it stood on a day: every organic result, paid slot and block, down to a depth.',
    '4',
  ),
  word('organic position', 'Place among the results that nobody pays for, counted from 1.', '4'),
  word('paid slot', 'Place among the ads of a result page.', '4'),
  word(
    'absent',
    'The result page was looked through to its depth, and the site is not there.',
    '4',
    'in report',
  ),
  word(
    'presumed absent',
    'Not named by a complete look-up that should have named it. A capture settles it.',
    '4',
  ),
  word('unknown', 'Nobody has looked yet. It is never counted as absent.', '4', 'in report'),
  word('buried', 'A rival stands on the front, we stand below it.', '5', 'in report'),
  word('trailing', 'Both stand on the front, a rival before us.', '5', 'in report'),
  word('open', 'Nobody who is compared stands on the front.', '5', 'in report'),
  word('leading', 'We stand on the front before every rival.', '5', 'in report'),
  word('alone', 'We stand on the front, and no rival does.', '5', 'in report'),
  word('near', 'Buried, but at 11 to 20: just below the front.', '5'),
  word(
    'lane',
    'The picture of positions: a line from 1 to 100. Disc: ours. Letters: rivals. Diamonds: paid slots. Ring: ours at the date compared with.',
  ),
  word('gained, lost', 'Absent before and ranked now, or the other way round.', '5'),
  word('climbing, slipping', 'Up by three places or more; down by five, or by three and off the front.', '5'),
  word('unbid', 'Rivals pay for the keyword, we do not.', '5'),
  word('outbid', 'We pay, and a rival stands above us among the paid slots.', '5'),
  word('doubling', 'We pay for a keyword where we stand near the top without paying.', '5'),
  word(
    'sieve, recipe',
    'One filter step, and the stack of them. Each says what it took out and can show it.',
  ),
  word(
    'verdict',
    'What somebody judged a keyword to be: fit, adjacent (related, still worth showing up for) or off. Until then it is unjudged.',
  ),
  word('desk', 'Where keywords are judged one after another, each with the results that answer it.'),
  word('cluster', 'Keywords that one page could serve: those whose first results are mostly the same.', '10'),
  word('purpose', 'What a search is for: to seek a name or place, to weigh, to learn or to buy.', '13'),
  word('volume', 'Searches a month, the mean of the latest twelve.', '2'),
  word(
    'demand',
    'Searches a month over the coming three months: the mean of the last twelve × its season.',
    '2',
    'in report',
  ),
  word('CPC', 'Cost per click: what an advertiser pays for one click.', '7'),
  word('CTR', 'Click-through rate: clicks for each time something was shown.', '3'),
  word(
    'ad competition',
    'How hard advertisers compete for a keyword, 0 to 1. It says nothing of how hard it is to rank.',
    '7',
  ),
  word('difficulty', 'How strong the front is, 0 to 100. Nothing of ours is in it.', '6'),
  word(
    'chance',
    'How likely it is to stand on the front at the horizon, after what is proposed. Estimated.',
    '6a',
    'in report',
  ),
  word('as it is', 'The same if nothing is done.', '6a', 'in report'),
  word('horizon', 'How many days ahead a chance looks: 60 on the web, 30 elsewhere, unless set.', '6a'),
  word(
    'clicks',
    'Clicks a month from a position: demand × click-through of the position. Estimated.',
    '3',
    'in report',
  ),
  word(
    'worth of a click',
    'What a click brings: own conversions where they are known, else CPC × 0.7, else what the project says.',
    '7',
    'in report',
  ),
  word(
    'fit',
    'How far a keyword is ours: 1 for one judged to fit, less for one unjudged or adjacent, 0 for one judged off.',
    '8',
    'in report',
  ),
  word(
    'alternative',
    'One thing that could be done about a keyword, with what it adds, costs and takes.',
    '8',
  ),
  word('adds', 'What an action brings a month over doing nothing.', '8', 'in report'),
  word('effort', 'Days of work that an action takes, from the settings.', '8'),
  word('priority', 'What an action adds a month, for one day of work on it.', '8', 'in report'),
  word('defence', 'A place on the front that is expected to be lost if nothing is done.', '8'),
  word(
    'spread',
    'How many rivals stand on the front. It shows that the keyword matters, not what it would bring.',
    '5',
  ),
  word('round', 'A batch of work for a period, limited by days and by the number of actions.', '11'),
  word('draft', 'Proposed copy for a target, or a brief for a new one.', '12'),
  word('change', 'Something that was published, on the timeline with what stood there before.', '16'),
  word(
    'visibility',
    'Share of the clicks that go to a site, of all that standing first on every keyword would bring.',
    '15',
    'in report',
  ),
  word(
    'effect',
    'What a change did, beside keywords like its own that were left alone; with the range that holds the truth in 95 of 100 cases.',
    '16',
    'in report',
  ),
  word(
    'bid guide',
    'What has to be bid for the first page: the middle of the lowest winning bids that were observed.',
    '17',
  ),
  word(
    'authority',
    'How strong the links to a site are, 0 to 100 on a logarithmic scale: each step up takes many times the links.',
    '19',
    'in report',
  ),
  word('tray', 'What was ticked anywhere: it goes along from stage to stage until it is emptied.'),
  word('unit', 'What the search services charge in: one for each result page, and as each price says.'),
];
