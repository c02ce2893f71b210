import type { Round } from '@opsimath/contract/api/rounds';
import { decimal } from '../../parts/words/figures';

const SLACK = 1e-9;

/** A round’s days as a ruled measure, each person’s share in turn: what is given out is drawn thick. */
export function CapacityRule({ round }: { round: Round }) {
  const all = round.people.reduce((sum, { days }) => sum + days, 0);
  const held = round.people.reduce((sum, { used }) => sum + used, 0);
  const nobodys = round.days - held;
  const words = `${decimal(round.days, 2)} of ${decimal(all, 1)} days, ${round.tasks.length} of ${round.most} pieces of work`;
  return (
    <div className="capacity" role="img" aria-label={words}>
      <div className="capacity-people">
        {round.people.map(({ name, days, used }, n) => (
          <div
            key={name}
            className={`capacity-person${used > days + SLACK ? ' over' : ''}`}
            style={{ flexGrow: Math.max(days, 0.5) }}
            title={`${name || 'nobody named'}: ${decimal(used, 2)} of ${decimal(days, 1)} days given out`}
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
        {nobodys > SLACK && `; ${decimal(nobodys, 2)} of nobody`}
      </p>
    </div>
  );
}
