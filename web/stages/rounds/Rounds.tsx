import { Segmented, Spin } from 'antd';
import { Problem } from '../../parts/words/Problem';
import { useRoundsQuery } from '../../state/roundsApi';
import { useScope } from '../../state/useScope';
import { AnsweringTable } from './AnsweringTable';
import { Board } from './Board';
import { CalendarView } from './CalendarView';
import { FirstRound } from './FirstRound';
import { useWorkScope } from './useWorkScope';
import './rounds.css';

const VIEWS = [
  { value: 'board', label: 'Board' },
  { value: 'calendar', label: 'Calendar' },
  { value: 'answering', label: 'Answering targets' },
] as const;

/** From gaps to a plan that a team can carry out. */
export default function Rounds() {
  const { project, scope, change } = useScope();
  const work = useWorkScope();
  const view = VIEWS.find(({ value }) => value === scope.view)?.value ?? 'board';
  const { data, error } = useRoundsQuery({ project, scope: work }, { skip: work.date === '' });
  return (
    <div className="rounds">
      <div className="stage-top">
        <Segmented
          size="small"
          aria-label="Part of Rounds"
          value={view}
          options={VIEWS.map(({ value, label }) => ({ value, label }))}
          onChange={(next) => change({ view: next === 'board' ? '' : next }, { replace: true })}
        />
      </div>
      {error ? (
        <Problem error={error} />
      ) : view === 'answering' ? (
        <AnsweringTable />
      ) : !data ? (
        <Spin style={{ marginTop: 16 }} />
      ) : data.rounds.length === 0 && data.aside.length === 0 ? (
        <FirstRound view={data} />
      ) : view === 'calendar' ? (
        <CalendarView view={data} />
      ) : (
        <Board view={data} />
      )}
    </div>
  );
}
