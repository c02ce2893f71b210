import type { Marker } from '@opsimath/contract/api/markers';
import type { SiftRow } from '@opsimath/contract/api/sift';
import { POOL_READERS } from '@opsimath/contract/figures/poolFigures';
import { laneColumn } from '../../parts/pool/laneColumn';
import { poolFigureColumn } from '../../parts/pool/poolFigureColumn';
import type { PoolSides } from '../../parts/pool/poolSides';
import type { GridColumn } from '../../parts/table/gridColumn';
import { Tick } from '../../parts/table/Tick';
import { MarkerRow } from '../../parts/marks/MarkerShapes';
import { count, decimal } from '../../parts/words/figures';
import { LANGUAGE_NAMES } from '../../parts/words/languages';
import { type ExtraColumn, FIGURE_COLUMNS, type FigureColumn } from './extraColumns';
import { PurposeChoice } from './PurposeChoice';
import { FIGURE_TIPS } from './figureTips';
import { t, wordOf } from '../../words/t';

const LANE = 250;
/** Beside further columns the lane is narrower, so that they are seen without scrolling. */
const NARROW_LANE = 170;
const ROW = 34;
/** From here on a language is told without saying how sure that is. */
const SURE = 0.8;

/** The columns of what came through a recipe. */
export function siftColumns(task: {
  sides: PoolSides;
  targets: number;
  selected: ReadonlySet<number>;
  markers: readonly Marker[];
  extra: readonly ExtraColumn[];
  onSelect: (row: SiftRow) => void;
  onRelease: (row: SiftRow) => void;
}): GridColumn<SiftRow>[] {
  const { sides, selected } = task;
  return [
    {
      id: 'tick',
      head: '',
      width: 28,
      cell: (row) => <Tick on={selected.has(row.id)} text={row.text} onPress={() => task.onSelect(row)} />,
    },
    {
      id: 'keyword',
      head: t('sift:siftColumns.keyword'),
      sort: 'keyword',
      width: 184,
      cell: (row) => (
        <span
          className={row.translation ? 'said-twice' : undefined}
          title={
            row.translation
              ? t('sift:siftColumns.textTranslationMachineMade', {
                  text: row.text,
                  translation: row.translation,
                })
              : row.text
          }
        >
          <b>{row.text}</b>
          <MarkerRow ids={row.markers} markers={task.markers} />
          {row.rescued && (
            <button
              className="plain rescued-mark"
              title={t('sift:siftColumns.rescuedComesThroughWhateverThe')}
              onClick={(event) => {
                event.stopPropagation();
                task.onRelease(row);
              }}
            >
              {t('sift:siftColumns.rescued')}
            </button>
          )}
          {row.banned.map((word) => (
            <span
              key={word.spelled ?? word.text}
              className="banned-mark"
              title={t('sift:siftColumns.whichTextIsLevelReason', {
                which:
                  word.spelled === null
                    ? ''
                    : `${t('sift:siftColumns.spelledIsAnotherSpellingOfIt', { spelled: word.spelled })} `,
                text: word.text,
                level: wordOf(word.level),
                reason: word.reason,
              })}
            >
              {wordOf(word.level)}
            </span>
          ))}
          {row.translation && <i className="faint">{row.translation}</i>}
        </span>
      ),
    },
    {
      id: 'verdict',
      head: t('sift:siftColumns.verdict'),
      tip: t('sift:siftColumns.fitAdjacentComplementaryStillWorth'),
      width: 78,
      cell: (row) => (
        <span
          className={`verdict ${row.parked ? 'parked' : row.verdict}`}
          title={[row.reason, row.person].filter(Boolean).join(', ')}
        >
          {row.parked ? t('sift:siftColumns.parked') : row.verdict === 'unjudged' ? '' : wordOf(row.verdict)}
        </span>
      ),
    },
    poolFigureColumn('volume'),
    laneColumn(sides, { width: task.extra.length > 0 ? NARROW_LANE : LANE, height: ROW }),
    poolFigureColumn('targets', {
      cell: (row) =>
        t('sift:siftColumns.targetsOfTargets2', {
          targets: POOL_READERS.targets(row),
          targets2: task.targets,
        }),
    }),
    poolFigureColumn('cpc', { width: 84 }),
    poolFigureColumn('difficulty', { width: 70 }),
    ...task.extra.map((id) => EXTRA[id]),
  ];
}

const FIGURES = Object.fromEntries(
  FIGURE_COLUMNS.map((name): [FigureColumn, GridColumn<SiftRow>] => [
    name,
    {
      id: name,
      head: name[0]!.toUpperCase() + name.slice(1),
      tip: FIGURE_TIPS[name],
      width: 30 + 7 * name.length,
      align: 'right',
      cell: ({ figures }) => {
        const value = figures[name] ?? null;
        return value === null ? (
          <span className="faint">{t('sift:siftColumns.unknown')}</span>
        ) : (
          decimal(value, name === 'nearness' ? 2 : 0)
        );
      },
    },
  ]),
) as Record<FigureColumn, GridColumn<SiftRow>>;

const EXTRA: Record<ExtraColumn, GridColumn<SiftRow>> = {
  ...FIGURES,
  purpose: {
    id: 'purpose',
    head: t('sift:siftColumns.purpose'),
    tip: t('sift:siftColumns.whatTheSearchIsForSeek'),
    width: 66,
    cell: (row) => <PurposeChoice row={row} />,
  },
  language: {
    id: 'language',
    head: t('sift:siftColumns.lang'),
    tip: t('sift:siftColumns.languageByDictionariesAndLetters'),
    width: 62,
    cell: ({ language }) =>
      language ? (
        <span
          title={t('sift:siftColumns.codeConfidenceSure', {
            code: LANGUAGE_NAMES[language.code],
            confidence: Math.round(100 * language.confidence),
          })}
        >
          {wordOf(language.code)}
          {language.confidence < SURE && (
            <span className="faint">
              {' '}
              {Math.round(100 * language.confidence)}
              {' %'}
            </span>
          )}
        </span>
      ) : (
        <span className="faint">–</span>
      ),
  },
  contained: {
    id: 'contained',
    head: t('sift:siftColumns.containedIn'),
    tip: t('sift:siftColumns.otherKeywordsOfThePoolThat'),
    width: 108,
    align: 'right',
    cell: ({ contained }) =>
      contained && contained.keywords > 0 ? (
        <span>
          {count(contained.keywords)} <span className="faint">{count(contained.volume)}</span>
        </span>
      ) : (
        <span className="faint">–</span>
      ),
  },
  reason: { id: 'reason', head: t('sift:siftColumns.reason'), width: 110, cell: ({ reason }) => reason },
  words: poolFigureColumn('words'),
  trend: poolFigureColumn('trend', {
    align: undefined,
    width: 60,
    cell: ({ trend }) => trend ?? <span className="faint">–</span>,
  }),
  competition: poolFigureColumn('adCompetition'),
  sources: poolFigureColumn('sources', { align: undefined, cell: ({ found }) => found.join(', ') }),
};
