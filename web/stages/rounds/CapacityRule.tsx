import type { Round } from '@opsimath/contract/api/rounds';
import { decimal } from '../../parts/words/figures';
import { t } from '../../words/t';

const SLACK = 1e-9;

/** A round’s days as a ruled measure, each person’s share in turn: what is given out is drawn thick. */
export function CapacityRule({ round }: { round: Round }) {
  const all = round.people.reduce((sum, { days }) => sum + days, 0);
  const held = round.people.reduce((sum, { used }) => sum + used, 0);
  const nobodys = round.days - held;
  const words = t('rounds:CapacityRule.daysOfAllDaysTasksOf', {
    days: decimal(round.days, 2),
    all: decimal(all, 1),
    tasks: round.tasks.length,
    most: round.most,
  });
  return (
    <div className="capacity" role="img" aria-label={words}>
      <div className="capacity-people">
        {round.people.map(({ name, days, used }, n) => (
          <div
            key={name}
            className={`capacity-person${used > days + SLACK ? ' over' : ''}`}
            style={{ flexGrow: Math.max(days, 0.5) }}
            title={t('rounds:CapacityRule.nameUsedOfDaysDaysGiven', {
              name: name || t('rounds:CapacityRule.nobodyNamed'),
              used: decimal(used, 2),
              days: decimal(days, 1),
            })}
          >
            <span className="capacity-name">
              {name} {decimal(used, 2)}
            </span>
            <div className="capacity-line">
              <i
                className={`share-${n % 3}`}
                style={{ width: `${days > 0 ? Math.min(100, (100 * used) / days) : used > 0 ? 100 : 0}%` }}
              />
            </div>
          </div>
        ))}
      </div>
      <p className="soft capacity-words">
        {words}
        {nobodys > SLACK && t('rounds:CapacityRule.nobodysOfNobody', { nobodys: decimal(nobodys, 2) })}
      </p>
    </div>
  );
}
