import type { GapPage, GapRow } from '@opsimath/contract/api/gaps';
import type { Position } from '@opsimath/contract/api/position';
import { type GapFigure, figureOf } from '@opsimath/contract/figures/gapFigures';
import { overtakenBy } from '@opsimath/core/gap/overtaken';
import { ABSENT, UNKNOWN } from '@opsimath/core/ranking/position';
import { ChosenColumns } from '../../parts/table/chosenColumns';
import type { GridColumn } from '../../parts/table/gridColumn';
import { decimal, percent, worth } from '../../parts/words/figures';
import type { SpreadOf } from './useWorthSpread';

const unknown = <span className="faint">unknown</span>;
const place = (value: Position, presumed: boolean): React.ReactNode =>
  typeof value === 'number' ? (
    value
  ) : (
    <span className="faint" title={presumed ? PRESUMED : undefined}>
      {presumed ? 'absent, presumed' : value}
    </span>
  );
const PRESUMED = 'A complete look-up does not name the keyword; a capture would settle it';

interface Extra extends Omit<GridColumn<GapRow>, 'head'> {
  head: string;
}
type Page = Pick<GapPage, 'currency' | 'rivals' | 'resultsPerPage'>;

/** Figures that are shown otherwise than by their digits. */
const SHOWN: Partial<Record<GapFigure, (row: GapRow, page: Page) => React.ReactNode>> = {
  volume: (row) =>
    row.volumeBorrowed ? (
      <span className="faint" title="Borrowed from another surface; the dossier says from where">
        ~{decimal(row.volume, 0)}
      </span>
    ) : null,
  own: (row, { resultsPerPage }) => (
    <span title={typeof row.own === 'number' ? `page ${Math.ceil(row.own / resultsPerPage)}` : undefined}>
      {place(row.own, row.ownPresumed)}
    </span>
  ),
  'best rival': (row) =>
    row.figures['best rival'] ??
    place(
      row.rivals.includes('absent') ? 'absent' : 'unknown',
      row.rivalsPresumed.some(Boolean) &&
        !row.rivals.some((_, r) => row.rivals[r] === 'absent' && !row.rivalsPresumed[r]),
    ),
  cpc: (row) =>
    row.cpcLow === null || row.cpcHigh === null
      ? null
      : `${decimal(row.cpcLow, 2)}–${decimal(row.cpcHigh, 2)}`,
  'bid guide': ({ figures }) => {
    const { 'bid guide': middle, 'bid from': low, 'bid to': high } = figures;
    return middle === null ? null : (
      <>
        {decimal(middle!, 2)}{' '}
        <span className="soft">
          {decimal(low!, 2)}–{decimal(high!, 2)}
        </span>
      </>
    );
  },
  spread: (row) =>
    row.spread === null ? null : (
      <>
        {row.spread}{' '}
        <span className="faint">of {row.rivals.filter((position) => position !== 'unknown').length}</span>
      </>
    ),
  'at stake': (row) => (row.atStake === null ? '' : worth(row.atStake)),
  'a month': (row) => worth(row.worthAMonth),
};

/** A figure of the register as a column: head, tip, digits and sorting are the register's. */
export function figureColumn(figure: GapFigure, page: Page): Extra {
  const { head, tip, digits, width } = figureOf(figure);
  const context = {
    currency: page.currency,
    rivals: page.rivals.length,
    resultsPerPage: page.resultsPerPage,
  };
  return {
    id: figure,
    head,
    sort: figure,
    tip: tip(context),
    width,
    align: 'right',
    cell: (row) => {
      const shown = SHOWN[figure]?.(row, page) ?? null;
      if (shown !== null) return shown;
      const value = row.figures[figure];
      return value === null || value === undefined ? unknown : decimal(value, digits);
    },
  };
}

/** Figures that can be added, in this order; the usual ones stand in the table already. */
const FURTHER: readonly GapFigure[] = [
  'volume',
  'own',
  'best rival',
  'spread',
  'cpc',
  'bid guide',
  'bid from',
  'bid to',
  'ad competition',
  'difficulty',
  'as it is',
  'gain',
  'effort',
  'at stake',
  'our clicks',
  'rival clicks',
  'results',
  'exact rivals',
  'volume to results',
  'volume to rivals',
  'front price',
  'front rating',
  'front reviews',
];

/** Columns of the gap table that can be added to the usual ones. */
export function gapExtraColumns(page: Page, spreadOf: SpreadOf): Extra[] {
  const figures = FURTHER.map((figure) => figureColumn(figure, page));
  return [...ofDraws(page, spreadOf), ...figures, lostTo(page), ...IN_WORDS];
}

function ofDraws(page: Page, spreadOf: SpreadOf): Extra[] {
  return [
    {
      id: 'range',
      head: 'P10–P90',
      tip: `What the best action adds in ${page.currency} a month at the 10th and 90th percentile of 2,000 seeded draws of demand, clicks added and worth. Worked out for the first 50.`,
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
  ];
}

/** Rivals that came past us since the compare-with date. */
function lostTo({ rivals }: Page): Extra {
  return {
    id: 'lost to',
    head: 'Lost to',
    tip: 'Rivals that stand before us now and did not at the compare-with date, the best placed first.',
    width: 110,
    cell: (row) =>
      overtakenBy(
        { now: asColumn(row.own), before: asColumn(row.ownBefore) },
        row.rivals.map((now, r) => ({ now: asColumn(now), before: asColumn(row.rivalsBefore[r]!) })),
      ).map((r) => (
        <span key={r} className="best-of" title={`${rivals[r]!.name}, at ${String(row.rivals[r])}`}>
          <span className={`letter hue-${r % 4}`}>{rivals[r]!.letter}</span>{' '}
        </span>
      )),
  };
}

const asColumn = (position: Position): number =>
  position === 'absent' ? ABSENT : position === 'unknown' ? UNKNOWN : position;

const IN_WORDS: readonly Extra[] = [
  {
    id: 'distance',
    head: 'Behind',
    tip: 'Our position less the best rival’s; where we are absent, one more than the depth of 100, marked “at least”.',
    width: 84,
    align: 'right',
    cell: (row) => {
      const ranked = row.rivals.filter((place) => typeof place === 'number');
      if (row.own === 'unknown' || ranked.length === 0) return unknown;
      const best = Math.min(...ranked);
      return row.own === 'absent' ? `at least ${101 - best}` : row.own - best;
    },
  },
  {
    id: 'reason',
    head: 'Why',
    tip: 'Why the best action stands where it does, in a sentence.',
    width: 420,
    cell: (row) => <span title={row.reason}>{row.reason}</span>,
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

export const gapExtra = new ChosenColumns(
  'gap',
  gapExtraColumns({ currency: '', rivals: [], resultsPerPage: 10 }, () => undefined).map(({ id, head }) => ({
    id,
    name: head,
  })),
);
