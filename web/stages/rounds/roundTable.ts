import type { Round } from '@opsimath/contract/api/rounds';
import { spelledDay } from '../../parts/words/figures';
import { t, wordOf } from '../../words/t';

/** A round as a table for others: what is to be done, for which keyword, by whom and when. */
export function roundTable(round: Round, currency: string): string[][] {
  return [
    [
      wordOf('keyword'),
      wordOf('action'),
      wordOf('target'),
      t('rounds:roundTable.workingTitle'),
      t('rounds:roundTable.addsCurrencyAMonthEstimated', { currency }),
      wordOf('days'),
      wordOf('person'),
      wordOf('due'),
      wordOf('state'),
      t('rounds:roundTable.keywordsServed'),
      wordOf('reason'),
    ],
    ...round.tasks.map((task) => [
      task.lead.text,
      task.action,
      task.address,
      task.title,
      task.value.toFixed(2),
      String(task.effort),
      task.person,
      task.due === null ? '' : spelledDay(task.due),
      task.step,
      task.keywords
        .filter(({ clicks }) => clicks > 0)
        .map(({ text }) => text)
        .join(', '),
      task.reason,
    ]),
  ];
}
