import { SIEVE_FIGURES, type SieveFigure } from '@opsimath/core/sift/sieve';
import { ChosenColumns } from '../../parts/table/chosenColumns';
import { t, wordOf } from '../../words/t';

/** Figures of sieves that have a column of their own already. */
const SHOWN_ANYWAY = ['volume', 'word count', 'CPC', 'ad competition', 'difficulty', 'contained in'] as const;
export type FigureColumn = Exclude<SieveFigure, (typeof SHOWN_ANYWAY)[number]>;
/** The others: whatever a sieve can use can be a column. */
export const FIGURE_COLUMNS = SIEVE_FIGURES.filter(
  (name): name is FigureColumn => !(SHOWN_ANYWAY as readonly string[]).includes(name),
);

/** Columns that can be added to the usual ones. */
const EXTRA = [
  { id: 'purpose', name: t('sift:extraColumns.purpose') },
  { id: 'language', name: t('sift:extraColumns.language') },
  { id: 'contained', name: t('sift:extraColumns.containedInLongerOnes') },
  { id: 'reason', name: t('sift:extraColumns.reason') },
  { id: 'words', name: t('sift:extraColumns.wordCount') },
  { id: 'trend', name: t('sift:extraColumns.trend') },
  { id: 'competition', name: t('sift:extraColumns.adCompetition') },
  { id: 'sources', name: t('sift:extraColumns.howItWasFound') },
  ...FIGURE_COLUMNS.map((name) => ({ id: name, name: wordOf(name) })),
] as const;
export type ExtraColumn = (typeof EXTRA)[number]['id'];

export const siftExtra = new ChosenColumns<ExtraColumn>('sift', EXTRA);
