import type { GapPage, GapRow } from '@opsimath/contract/api/gaps';
import type { Position } from '@opsimath/contract/api/position';
import { reasonWords } from '../../parts/words/reasonWords';
import { type GapFigure, figureOf } from '@opsimath/contract/figures/gapFigures';
import { overtakenBy } from '@opsimath/core/gap/overtaken';
import { ABSENT, UNKNOWN } from '@opsimath/core/ranking/position';
import { ChosenColumns } from '../../parts/table/chosenColumns';
import type { GridColumn } from '../../parts/table/gridColumn';
import { decimal, percent, worth } from '../../parts/words/figures';
import type { SpreadOf } from './useWorthSpread';
import { figureWords, t, wordOf } from '../../words/t';

const unknown = <span className="faint">{t('gaps:gapExtraColumns.unknown')}</span>;
const place = (value: Position, presumed: boolean): React.ReactNode =>
  typeof value === 'number' ? (
    value
  ) : (
    <span className="faint" title={presumed ? PRESUMED : undefined}>
      {presumed ? t('gaps:gapExtraColumns.absentPresumed') : wordOf(value)}
    </span>
  );
const PRESUMED = t('gaps:gapExtraColumns.aCompleteLookUpDoesNot');

interface Extra extends Omit<GridColumn<GapRow>, 'head'> {
  head: string;
}
type Page = Pick<GapPage, 'currency' | 'rivals' | 'resultsPerPage'>;

/** Figures that are shown otherwise than by their digits. */
const SHOWN: Partial<Record<GapFigure, (row: GapRow, page: Page) => React.ReactNode>> = {
  volume: (row) =>
    row.volumeBorrowed ? (
      <span className="faint" title={t('gaps:gapExtraColumns.borrowedFromAnotherSurfaceThe')}>
        ~{decimal(row.volume, 0)}
      </span>
    ) : null,
  own: (row, { resultsPerPage }) => (
    <span
      title={
        typeof row.own === 'number'
          ? t('gaps:gapExtraColumns.pageCeil', { ceil: Math.ceil(row.own / resultsPerPage) })
          : undefined
      }
    >
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
        <span className="faint">
          {t('gaps:gapExtraColumns.ofRivals', {
            rivals: row.rivals.filter((position) => position !== 'unknown').length,
          })}
        </span>
      </>
    ),
  'at stake': (row) => (row.atStake === null ? '' : worth(row.atStake)),
  'a month': (row) => worth(row.worthAMonth),
};

/** A figure of the register as a column: head, tip, digits and sorting are the register's. */
export function figureColumn(figure: GapFigure, page: Page): Extra {
  const { head, tip, unit, section, digits, width } = figureOf(figure);
  const context = {
    currency: page.currency,
    rivals: page.rivals.length,
    resultsPerPage: page.resultsPerPage,
  };
  const said = figureWords('gap', figure, { head, tip: tip(context) }, { ...context });
  // Money names its currency in the head; over what time, and for what, the tip says.
  const isMoney = page.currency !== '' && unit(context).startsWith(page.currency);
  return {
    id: figure,
    ...said,
    ...(isMoney && { head: `${said.head}, ${page.currency}` }),
    sort: figure,
    section,
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
      tip: t('gaps:gapExtraColumns.whatTheBestActionAddsIn', { currency: page.currency }),
      width: 104,
      align: 'right',
      cell: (row) => {
        const spread = spreadOf(row.id);
        return spread ? `${worth(spread.low)}–${worth(spread.high)}` : '';
      },
    },
    {
      id: 'first',
      head: t('gaps:gapExtraColumns.inFirst20'),
      tip: t('gaps:gapExtraColumns.probabilityOfBeingAmongTheFirst'),
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
    head: t('gaps:gapExtraColumns.lostTo'),
    tip: t('gaps:gapExtraColumns.rivalsThatStandBeforeUsNow'),
    width: 110,
    cell: (row) =>
      overtakenBy(
        { now: asColumn(row.own), before: asColumn(row.ownBefore) },
        row.rivals.map((now, r) => ({ now: asColumn(now), before: asColumn(row.rivalsBefore[r]!) })),
      ).map((r) => (
        <span
          key={r}
          className="best-of"
          title={t('gaps:gapExtraColumns.nameAtR', { name: rivals[r]!.name, r: String(row.rivals[r]) })}
        >
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
    head: t('gaps:gapExtraColumns.behind'),
    tip: t('gaps:gapExtraColumns.ourPositionLessTheBestRival'),
    width: 84,
    align: 'right',
    cell: (row) => {
      const ranked = row.rivals.filter((place) => typeof place === 'number');
      if (row.own === 'unknown' || ranked.length === 0) return unknown;
      const best = Math.min(...ranked);
      return row.own === 'absent'
        ? t('gaps:gapExtraColumns.atLeastBest', { best: 101 - best })
        : row.own - best;
    },
  },
  {
    id: 'reason',
    head: t('gaps:gapExtraColumns.why'),
    tip: t('gaps:gapExtraColumns.whyTheBestActionStandsWhere'),
    width: 420,
    cell: (row) => <span title={reasonWords(row)}>{reasonWords(row)}</span>,
  },
  {
    id: 'paid',
    head: t('gaps:gapExtraColumns.paid'),
    sort: 'paid',
    tip: t('gaps:gapExtraColumns.whoBuysThePaidSlotsOf'),
    width: 78,
    cell: (row) => `${wordOf(row.paid)}${row.doubling ? ` ${t('gaps:gapExtraColumns.doubling')}` : ''}`,
  },
  {
    id: 'block',
    head: t('gaps:gapExtraColumns.blockToTake'),
    tip: t('gaps:gapExtraColumns.firstAnswerImageOrVideoBlock'),
    width: 190,
    cell: ({ block }) =>
      block === null ? (
        ''
      ) : (
        <span title={block.holder ?? undefined}>
          {wordOf(block.kind)}
          {': '}
          {block.holder ?? t('gaps:gapExtraColumns.nobody')}
          {block.position !== null && (
            <span className="faint">
              {' '}
              {t('gaps:gapExtraColumns.atPosition', { position: block.position })}
            </span>
          )}
        </span>
      ),
  },
  {
    id: 'verdict',
    head: t('gaps:gapExtraColumns.verdict'),
    sort: 'verdict',
    tip: t('gaps:gapExtraColumns.whatTheKeywordWasJudgedTo'),
    width: 78,
    cell: (row) =>
      row.verdict === 'unjudged' ? (
        <span className="faint">{t('gaps:gapExtraColumns.unjudged')}</span>
      ) : (
        wordOf(row.verdict)
      ),
  },
  {
    id: 'captured',
    head: t('gaps:gapExtraColumns.captured'),
    tip: t('gaps:gapExtraColumns.dayOfTheResultPageThat'),
    width: 92,
    cell: (row) => row.captureDate ?? <span className="faint">{t('gaps:gapExtraColumns.never')}</span>,
  },
];

export const gapExtra = new ChosenColumns(
  'gap',
  gapExtraColumns({ currency: '', rivals: [], resultsPerPage: 10 }, () => undefined).map(({ id, head }) => ({
    id,
    name: head,
  })),
);
