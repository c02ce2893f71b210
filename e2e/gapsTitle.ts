import { counted } from '@opsimath/core/shown';

/** What the title of Gaps says of so many keywords that pass. */
export const gapsTitle = (total: number): string =>
  `${counted(total, 'keyword')} ${total === 1 ? 'matches' : 'match'} these filters`;
