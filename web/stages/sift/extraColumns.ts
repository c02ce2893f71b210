import { ChosenColumns } from '../../parts/table/chosenColumns';

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
] as const;
export type ExtraColumn = (typeof EXTRA)[number]['id'];

export const siftExtra = new ChosenColumns<ExtraColumn>('sift', EXTRA);
