import type { Round, RoundPlan, RoundsView, Task } from '@opsimath/contract/api/rounds';
import type { WorkLine } from '@opsimath/contract/api/whatToDo';
import { useDroppable } from '@dnd-kit/core';
import { count, counted, worth } from '../../parts/words/figures';
import { useScope } from '../../state/useScope';
import { WorkCard } from './WorkCard';
import { moveFocus } from './moveFocus';
import { daysWord, whereOfLine } from './roundWords';
import { t, wordOf } from '../../words/t';

interface QueueColumnProps {
  view: RoundsView;
  plan: RoundPlan | undefined;
  round: Round | undefined;
  rounds: readonly Round[];
  laneOf: (id: number) => React.ReactNode;
  onPick: (round: number, lead: Task['lead'], action: Task['action']) => void;
}

/** What is left to do. What the chosen round would take stands first; a line says where it ends. */
export function QueueColumn({ view, plan, round, rounds, laneOf, onPick }: QueueColumnProps) {
  const { scope, change } = useScope();
  const { setNodeRef, isOver } = useDroppable({ id: 'queue', data: { queue: true } });
  const { queue, currency } = view;
  const taken = new Set(plan?.lines.map(nameOf));
  const first = plan?.lines ?? [];
  const rest = queue.lines.filter((line) => !taken.has(nameOf(line)));
  const card = (line: WorkLine) => (
    <WorkCard
      key={nameOf(line)}
      id={`queue ${nameOf(line)}`}
      carried={{ of: 'queue', keyword: line.lead.id, text: line.lead.text, action: line.action }}
      lead={line.lead.text}
      lane={laneOf(line.lead.id)}
      action={wordOf(line.action)}
      where={whereOfLine(line)}
      value={line.value}
      currency={currency}
      facts={[
        daysWord(line.effort),
        ...(line.served.won.keywords > 1
          ? [
              t('rounds:QueueColumn.servesKeywords', {
                keywords: counted(line.served.won.keywords, 'keyword'),
              }),
            ]
          : []),
        ...(line.served.lost.keywords > 0
          ? [
              t('rounds:QueueColumn.costsClicksOnKeywords', {
                clicks: counted(Math.round(line.served.lost.clicks), 'click'),
                keywords: line.served.lost.keywords,
              }),
            ]
          : []),
      ].join(' · ')}
      isOpen={scope.open === line.lead.id}
      onOpen={() => change({ open: line.lead.id, task: null })}
      onKeyDown={(event) => {
        const wanted = /^[1-9]$/.test(event.key) ? rounds[Number(event.key) - 1] : undefined;
        if (wanted) {
          event.preventDefault();
          onPick(wanted.id, line.lead, line.action);
        } else if (event.key === 'Enter') {
          event.preventDefault();
          change({ open: line.lead.id, task: null });
        } else moveFocus(event);
      }}
    />
  );
  return (
    <section
      ref={setNodeRef}
      className={`board-queue${isOver ? ' drop-here' : ''}`}
      aria-label={t('rounds:QueueColumn.queue')}
      data-column="queue"
    >
      <header>
        <h2>{t('rounds:QueueColumn.queue')}</h2>
        <span className="soft">{t('rounds:QueueColumn.totalActions', { total: count(queue.total) })}</span>
      </header>
      <p className="soft">
        {t('rounds:QueueColumn.whichCurrencyAMonthEstimated', {
          which:
            first.length > 0
              ? t('rounds:QueueColumn.whatNameWouldTakeStandsAbove', {
                  name: round?.name ?? t('rounds:QueueColumn.theRound'),
                })
              : t('rounds:QueueColumn.theMostForADayOf'),
          currency,
        })}
      </p>
      <div className="board-cards">
        {first.map(card)}
        {first.length > 0 && plan && (
          <p className="queue-line">
            {t('rounds:QueueColumn.here')} {round?.name}{' '}
            {t('rounds:QueueColumn.wouldEndWhich', {
              which:
                plan.oneMoreDay.value > 0.005
                  ? t('rounds:QueueColumn.oneMoreDayBuysWorthCurrency', {
                      worth: worth(plan.oneMoreDay.value),
                      currency,
                    })
                  : t('rounds:QueueColumn.oneMoreDayWouldBuyNothing'),
            })}
          </p>
        )}
        {rest.map(card)}
        {queue.total > queue.lines.length && (
          <p className="soft">
            {t('rounds:QueueColumn.totalMoreOfLessValueFor', {
              total: count(queue.total - queue.lines.length),
            })}
          </p>
        )}
        {queue.total === 0 && <p className="soft">{t('rounds:QueueColumn.nothingIsLeftToDoIn')}</p>}
      </div>
    </section>
  );
}

const nameOf = ({ action, target, lead }: WorkLine): string =>
  `${action}:${target?.address ?? ''}:${lead.id}`;
