import { shown } from '@opsimath/core/shown';

/** What the title of Gaps says of so many keywords that pass. */
export const gapsTitle = (total: number): string =>
  `${shown('count', total)} ${total === 1 ? 'keyword matches' : 'keywords match'} these filters`;
