import { SIEVE_FIGURES, type SieveFigure } from '@opsimath/core/sift/sieve';
import { ChosenColumns } from '../../parts/table/chosenColumns';

/** Figures of sieves that have a column of their own already. */
const SHOWN_ANYWAY = ['volume', 'word count', 'CPC', 'ad competition', 'difficulty', 'contained in'] as const;
export type FigureColumn = Exclude<SieveFigure, (typeof SHOWN_ANYWAY)[number]>;
/** The others: whatever a sieve can use can be a column. */
export const FIGURE_COLUMNS = SIEVE_FIGURES.filter(
  (name): name is FigureColumn => !(SHOWN_ANYWAY as readonly string[]).includes(name),
);

/** Columns that can be added to the usual ones. */
const EXTRA = [
  { id: 'purpose', name: 'purpose' },
  { id: 'language', name: 'language' },
  { id: 'contained', name: 'contained in longer ones' },
  { id: 'reason', name: 'reason' },
  { id: 'words', name: 'word count' },
  { id: 'trend', name: 'trend' },
  { id: 'competition', name: 'ad competition' },
  { id: 'sources', name: 'how it was found' },
  ...FIGURE_COLUMNS.map((name) => ({ id: name, name })),
] as const;
export type ExtraColumn = (typeof EXTRA)[number]['id'];

export const siftExtra = new ChosenColumns<ExtraColumn>('sift', EXTRA);
