import type { Round } from '@opsimath/contract/api/rounds';
import { InputNumber, Modal, Spin } from 'antd';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { decimal, worth } from '../../parts/words/figures';
import { useRoundPlanQuery } from '../../state/roundsApi';
import { useScope } from '../../state/useScope';
import { useWorkScope } from './useWorkScope';
import { Told } from '../../words/Told';
import { t, wordOf } from '../../words/t';

/** Two plans for one round side by side: other days, other counts, and what each would take. */
export function ComparePlans({
  round,
  currency,
  onClose,
}: {
  round: Round;
  currency: string;
  onClose: () => void;
}) {
  const all = round.people.reduce((sum, { days }) => sum + days, 0);
  const [left, setLeft] = useState({ days: all, most: round.most });
  const [right, setRight] = useState({ days: all * 1.5, most: round.most });
  const one = usePlan(round.id, left);
  const other = usePlan(round.id, right);
  const names = (plan: typeof one): Set<string> => new Set(plan.data?.lines.map(nameOf));
  return (
    <Modal
      open
      footer={null}
      width={860}
      onCancel={onClose}
      title={<span className="serif">{t('rounds:ComparePlans.twoPlansForName', { name: round.name })}</span>}
    >
      <p className="soft">{t('rounds:ComparePlans.whatTheRoundWouldTakeFrom')}</p>
      <div className="two-plans">
        <Plan
          limits={left}
          onLimits={setLeft}
          plan={one}
          others={names(other)}
          currency={currency}
          name={t('rounds:ComparePlans.firstPlan')}
        />
        <Plan
          limits={right}
          onLimits={setRight}
          plan={other}
          others={names(one)}
          currency={currency}
          name={t('rounds:ComparePlans.secondPlan')}
        />
      </div>
    </Modal>
  );
}

interface Limits {
  days: number;
  most: number;
}

function usePlan(round: number, limits: Limits) {
  const { project } = useScope();
  return useRoundPlanQuery({ project, round, scope: { ...useWorkScope(), ...limits } });
}

interface PlanProps {
  name: string;
  limits: Limits;
  onLimits: (limits: Limits) => void;
  plan: ReturnType<typeof usePlan>;
  others: ReadonlySet<string>;
  currency: string;
}

function Plan({ name, limits, onLimits, plan, others, currency }: PlanProps) {
  const { data, error, isFetching } = plan;
  return (
    <section aria-label={name}>
      <p>
        <InputNumber
          size="small"
          aria-label={t('rounds:ComparePlans.daysOfTheName', { name: name.toLowerCase() })}
          min={0}
          max={400}
          step={1}
          value={limits.days}
          onChange={(days) => days !== null && onLimits({ ...limits, days })}
        />{' '}
        <Told
          id="rounds:ComparePlans.daysAtMostActions"
          parts={{
            inputNumber: (
              <InputNumber
                size="small"
                aria-label={t('rounds:ComparePlans.mostActionsOfTheName', { name: name.toLowerCase() })}
                min={1}
                max={200}
                value={limits.most}
                onChange={(most) => most !== null && onLimits({ ...limits, most })}
              />
            ),
          }}
        />
      </p>
      {error ? (
        <Problem error={error} />
      ) : !data ? (
        <Spin size="small" />
      ) : (
        <div aria-busy={isFetching}>
          <p>
            <Told
              id="rounds:ComparePlans.worthCurrencyAMonthForDays"
              values={{ worth: worth(data.value), currency, days: decimal(data.days, 2) }}
              parts={{ b: <b /> }}
            />
            <span className="soft under">
              {t('rounds:ComparePlans.n80BetweenLowAndHighWhich', {
                low: worth(data.low),
                high: worth(data.high),
                which:
                  data.short > 0.005
                    ? t('rounds:ComparePlans.noPlanCouldBringMoreThan', {
                        short: worth(data.value + data.short),
                      })
                    : t('rounds:ComparePlans.noPlanBringsMore'),
              })}
            </span>
          </p>
          <table className="ledger">
            <tbody>
              {data.lines.map((line) => (
                <tr key={nameOf(line)}>
                  <td>
                    {others.has(nameOf(line)) ? line.lead.text : <b>{line.lead.text}</b>}{' '}
                    <span className="soft">{wordOf(line.action)}</span>
                  </td>
                  <td className="figure">{worth(line.value)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

const nameOf = ({ action, lead }: { action: string; lead: { id: number } }): string => `${action} ${lead.id}`;
