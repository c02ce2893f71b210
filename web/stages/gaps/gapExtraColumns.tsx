import type { GapPage, GapRow, Position } from '@opsimath/contract/api/gaps';
import { ChosenColumns } from '../../parts/table/chosenColumns';
import type { GridColumn } from '../../parts/table/gridColumn';
import { count, decimal, percent, worth } from '../../parts/words/figures';
import type { SpreadOf } from './useWorthSpread';

const position = (value: Position): React.ReactNode =>
  typeof value === 'number' ? value : <span className="faint">{value}</span>;
const onPage = (own: number, resultsPerPage: number): string => `page ${Math.ceil(own / resultsPerPage)}`;
const known = (value: number | null, digits: number): React.ReactNode =>
  value === null ? <span className="faint">unknown</span> : decimal(value, digits);

interface Extra extends Omit<GridColumn<GapRow>, 'head'> {
  head: string;
}

/** Columns of the gap table that can be added to the usual ones. */
export function gapExtraColumns(
  page: Pick<GapPage, 'currency' | 'rivals' | 'resultsPerPage'>,
  spreadOf: SpreadOf,
): Extra[] {
  return [
    {
      id: 'range',
      head: 'P10–P90',
      tip: `Expected worth in ${page.currency} a month at the 10th and 90th percentile of 2,000 seeded draws of demand, chance and worth. Worked out for the first 50.`,
      width: 104,
      align: 'right',
      cell: (row) => {
        const spread = spreadOf(row.id);
        return spread ? `${worth(spread.low)}–${worth(spread.high)}` : '';
      },
    },
    {
      id: 'first',
      head: 'In first 20',
      tip: 'Probability of being among the first 20 by priority, in the same draws of the first 50.',
      width: 82,
      align: 'right',
      cell: (row) => {
        const spread = spreadOf(row.id);
        return spread ? percent(spread.first, 0) : '';
      },
    },
    {
      id: 'volume',
      head: 'Volume',
      sort: 'volume',
      tip: 'Searches a month, mean of the latest 12; with ~ borrowed from another surface.',
      width: 76,
      align: 'right',
      cell: (row) => {
        if (row.volume === null) return <span className="faint">unknown</span>;
        if (!row.volumeBorrowed) return count(row.volume);
        return (
          <span className="faint" title="Borrowed from another surface; the dossier says from where">
            ~{count(row.volume)}
          </span>
        );
      },
    },
    {
      id: 'own',
      head: 'Ours',
      sort: 'own',
      tip: `Our best organic position. ${page.resultsPerPage} results make a page.`,
      width: 70,
      align: 'right',
      cell: (row) => (
        <span title={typeof row.own === 'number' ? onPage(row.own, page.resultsPerPage) : undefined}>
          {position(row.own)}
        </span>
      ),
    },
    {
      id: 'bestRival',
      head: 'Best rival',
      sort: 'best rival',
      tip: 'The best organic position of any rival.',
      width: 78,
      align: 'right',
      cell: (row) => {
        const ranked = row.rivals.filter((place) => typeof place === 'number');
        if (ranked.length > 0) return Math.min(...ranked);
        return position(row.rivals.includes('absent') ? 'absent' : 'unknown');
      },
    },
    {
      id: 'distance',
      head: 'Behind',
      tip: 'Our position less the best rival’s; where we are absent, one more than the depth of 100, marked “at least”.',
      width: 84,
      align: 'right',
      cell: (row) => {
        const ranked = row.rivals.filter((place) => typeof place === 'number');
        if (row.own === 'unknown' || ranked.length === 0) return <span className="faint">unknown</span>;
        const best = Math.min(...ranked);
        return row.own === 'absent' ? `at least ${101 - best}` : row.own - best;
      },
    },
    {
      id: 'spread',
      head: 'Spread',
      sort: 'spread',
      tip: `Rivals within the front, of ${page.rivals.length}. It proves relevance, not gain: it is no part of priority.`,
      width: 64,
      align: 'right',
      cell: (row) => row.spread,
    },
    {
      id: 'cpc',
      head: 'CPC',
      sort: 'cpc',
      tip: `What a click costs in ${page.currency}, from its source. A high CPC is not a high conversion.`,
      width: 96,
      align: 'right',
      cell: (row) =>
        row.cpcLow === null ? (
          <span className="faint">unknown</span>
        ) : (
          `${decimal(row.cpcLow, 2)}–${decimal(row.cpcHigh, 2)}`
        ),
    },
    {
      id: 'adCompetition',
      head: 'Ad comp.',
      sort: 'ad competition',
      tip: 'Competition among advertisers, 0–1, as the source says. It tells nothing of organic difficulty.',
      width: 76,
      align: 'right',
      cell: (row) => known(row.adCompetition, 2),
    },
    {
      id: 'difficulty',
      head: 'Difficulty',
      sort: 'difficulty',
      tip: '0–100, of the captured front: 0.7 × its median authority + 30 × share with the phrase in the title. Nothing of ours is in it.',
      width: 76,
      align: 'right',
      cell: (row) => known(row.difficulty, 0),
    },
    {
      id: 'gain',
      head: 'Gain',
      sort: 'gain',
      tip: 'Clicks a month more at the position aimed at. Estimated.',
      width: 70,
      align: 'right',
      cell: (row) => known(row.gain, 0),
    },
    {
      id: 'effort',
      head: 'Days',
      sort: 'effort',
      tip: 'Effort of the suggested action in days, from the settings.',
      width: 60,
      align: 'right',
      cell: (row) => decimal(row.effort, 2),
    },
    {
      id: 'paid',
      head: 'Paid',
      sort: 'paid',
      tip: 'Who buys the paid slots of the newest capture.',
      width: 78,
      cell: (row) => `${row.paid}${row.doubling ? ' · doubling' : ''}`,
    },
    {
      id: 'atStake',
      head: 'At stake',
      sort: 'at stake',
      tip: `What our ads cost a month in ${page.currency} on terms where we stand at 3 or better without paying. Exact, from own ad terms.`,
      width: 74,
      align: 'right',
      cell: (row) => (row.atStake === null ? '' : worth(row.atStake)),
    },
    {
      id: 'ownClicks',
      head: 'Our clicks',
      sort: 'our clicks',
      tip: 'Clicks a month at our position: volume × click-through × what stands above. Estimated; true clicks are in own search performance.',
      width: 80,
      align: 'right',
      cell: (row) => known(row.ownClicks, 0),
    },
    {
      id: 'rivalClicks',
      head: 'Rival’s clicks',
      sort: 'rival clicks',
      tip: 'The same at the best rival’s position. Estimated.',
      width: 92,
      align: 'right',
      cell: (row) => known(row.rivalClicks, 0),
    },
    {
      id: 'results',
      head: 'Results',
      sort: 'results',
      tip: 'How many results the source counts. Rough: no part of chance or priority.',
      width: 86,
      align: 'right',
      cell: (row) => known(row.results, 0),
    },
    {
      id: 'exactRivals',
      head: 'Exact rivals',
      sort: 'exact rivals',
      tip: 'Results of the captured front, ours left out, with the phrase in the title.',
      width: 86,
      align: 'right',
      cell: (row) => known(row.exactRivals, 0),
    },
    {
      id: 'toResults',
      head: 'Vol. to results',
      sort: 'volume to results',
      tip: 'Searches a month for a thousand results. Counts of different sources do not compare; no part of priority.',
      width: 98,
      align: 'right',
      cell: (row) => known(row.volume === null || !row.results ? null : (1000 * row.volume) / row.results, 2),
    },
    {
      id: 'toRivals',
      head: 'Vol. to rivals',
      sort: 'volume to rivals',
      tip: 'Searches a month for each exact rival and one more. No part of priority.',
      width: 92,
      align: 'right',
      cell: (row) =>
        known(row.volume === null || row.exactRivals === null ? null : row.volume / (row.exactRivals + 1), 0),
    },
    {
      id: 'block',
      head: 'Block to take',
      tip: 'First answer, image or video block of which no slot is ours, who holds it, and at which position that stands. From outside the front it is out of reach.',
      width: 190,
      cell: ({ block }) =>
        block === null ? (
          ''
        ) : (
          <span title={block.holder ?? undefined}>
            {block.kind}: {block.holder ?? 'nobody'}
            {block.position !== null && <span className="faint"> at {block.position}</span>}
          </span>
        ),
    },
    {
      id: 'frontPrice',
      head: 'Front’s price',
      sort: 'front price',
      tip: `Median price of the captured front in ${page.currency}; marketplaces only.`,
      width: 92,
      align: 'right',
      cell: (row) => known(row.frontPrice, 2),
    },
    {
      id: 'frontRating',
      head: 'Its rating',
      sort: 'front rating',
      tip: 'Median rating of the captured front; marketplaces only.',
      width: 76,
      align: 'right',
      cell: (row) => known(row.frontRating, 1),
    },
    {
      id: 'frontReviews',
      head: 'Its reviews',
      sort: 'front reviews',
      tip: 'Median number of reviews of the captured front; marketplaces only.',
      width: 84,
      align: 'right',
      cell: (row) => known(row.frontReviews, 0),
    },
    {
      id: 'verdict',
      head: 'Verdict',
      sort: 'verdict',
      tip: 'What the keyword was judged to be in Sift.',
      width: 78,
      cell: (row) => (row.verdict === 'unjudged' ? <span className="faint">unjudged</span> : row.verdict),
    },
    {
      id: 'captured',
      head: 'Captured',
      tip: 'Day of the result page that the row rests on.',
      width: 92,
      cell: (row) => row.captureDate ?? <span className="faint">never</span>,
    },
  ];
}

export const gapExtra = new ChosenColumns(
  'gap',
  gapExtraColumns({ currency: '', rivals: [], resultsPerPage: 10 }, () => undefined).map(({ id, head }) => ({
    id,
    name: head,
  })),
);
