import type { Round, RoundPlan, RoundsView } from '@opsimath/contract/api/rounds';
import { Button, Dropdown } from 'antd';
import { useState } from 'react';
import { copyAsTable } from '../../parts/table/copyAsTable';
import { count, counted, decimal, percent, worth } from '../../parts/words/figures';
import { useProjectsQuery } from '../../state/projectApi';
import { useScope } from '../../state/useScope';
import { ComparePlans } from './ComparePlans';
import { roundTable } from './roundTable';

const MORE_ROUNDS = [2, 3, 4, 6];
const FORMATS = [
  ['csv', 'CSV'],
  ['xlsx', 'Spreadsheet (XLSX)'],
  ['json', 'JSON'],
  ['ics', 'Calendar (iCalendar)'],
  ['md', 'Check list (Markdown)'],
] as const;

interface BoardHeadProps {
  view: RoundsView;
  round: Round | undefined;
  plan: RoundPlan | undefined;
  isFilling: boolean;
  onFill: (rounds: number) => void;
}

/** What its clicks would sell at the rate that the project aims at: an aim is no forecast. */
function AimWords({ clicks }: { clicks: number }) {
  const { project } = useScope();
  const { data: projects } = useProjectsQuery();
  const goal = projects?.find(({ id }) => id === project)?.settings.goals.organic ?? null;
  if (goal === null || clicks <= 0) return null;
  return (
    <>
      At the {percent(goal)} aimed at, its {counted(Math.round(clicks), 'click')} are{' '}
      {decimal(clicks * goal, 1)} conversions a month.{' '}
    </>
  );
}

/** What the chosen round brings, and what can be done with it. */
export function BoardHead({ view, round, plan, isFilling, onFill }: BoardHeadProps) {
  const { project } = useScope();
  const [comparing, compare] = useState(false);
  const { currency } = view;
  if (!round)
    return (
      <header className="stage-head">
        <h1>No round is planned</h1>
      </header>
    );
  const all = round.people.reduce((sum, { days }) => sum + days, 0);
  return (
    <header className="stage-head">
      <div>
        <h1 className="stage-title">
          {round.tasks.length === 0 ? (
            <>{round.name} is empty</>
          ) : (
            <>
              {round.name} adds about <b>{worth(round.value)}</b> {currency} a month for{' '}
              {decimal(round.days, 1)} of {decimal(all, 1)} days
            </>
          )}
        </h1>
        <p className="soft">
          {round.tasks.length > 0 && (
            <>
              80 % between {worth(round.low)} and {worth(round.high)}. {count(round.tasks.length)}{' '}
              {round.tasks.length === 1 ? 'action serves' : 'actions serve'}{' '}
              {counted(round.keywords, 'keyword')}.{' '}
              <AimWords clicks={round.tasks.reduce((sum, task) => sum + task.clicks, 0)} />
            </>
          )}
          {plan && plan.lines.length > 0 && (
            <>
              Filled now it would take {plan.lines.length} more, for about {worth(plan.value)} {currency} a
              month.{' '}
            </>
          )}
          {plan &&
            (plan.roundsAfter === 0
              ? 'Nothing is left for another round.'
              : `The queue fills ${count(plan.roundsAfter)} more rounds of this size.`)}{' '}
          Estimated.
        </p>
      </div>
      <span className="stage-tools">
        <Button
          size="small"
          type="primary"
          loading={isFilling}
          disabled={plan?.lines.length === 0}
          title="Takes what brings most for the days and places that are left (key f)"
          onClick={() => onFill(1)}
        >
          Fill this round
        </Button>
        <Dropdown
          trigger={['click']}
          menu={{
            items: MORE_ROUNDS.map((rounds) => ({
              key: rounds,
              label: `Fill this one and ${rounds - 1} after it`,
              onClick: () => onFill(rounds),
            })),
          }}
        >
          <Button size="small">Fill more…</Button>
        </Dropdown>
        <Button size="small" onClick={() => compare(true)}>
          Compare plans…
        </Button>
        <Button
          size="small"
          disabled={round.tasks.length === 0}
          onClick={() => void copyAsTable(roundTable(round, currency))}
        >
          Copy as a table
        </Button>
        <Dropdown
          trigger={['click']}
          menu={{
            items: FORMATS.map(([format, name]) => ({
              key: format,
              label: <a href={`/api/projects/${project}/rounds/${round.id}/file?format=${format}`}>{name}</a>,
            })),
          }}
        >
          <Button size="small" disabled={round.tasks.length === 0}>
            Export
          </Button>
        </Dropdown>
      </span>
      {comparing && <ComparePlans round={round} currency={currency} onClose={() => compare(false)} />}
    </header>
  );
}
