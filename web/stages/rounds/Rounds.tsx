import { Problem } from '../../parts/words/Problem';
import { Waiting } from '../../parts/words/Waiting';
import { useRoundsQuery } from '../../state/roundsApi';
import { StageParts } from '../../parts/words/StageParts';
import { partOf } from '../../state/stageParts';
import { useScope } from '../../state/useScope';
import { AnsweringTable } from './AnsweringTable';
import { Board } from './Board';
import { CalendarView } from './CalendarView';
import { FirstRound } from './FirstRound';
import { useWorkScope } from './useWorkScope';
import './rounds.css';
import { t } from '../../words/t';

/** From gaps to a plan that a team can carry out. */
export default function Rounds() {
  const { project, scope } = useScope();
  const work = useWorkScope();
  const view = partOf('rounds', scope.view);
  const { data, error } = useRoundsQuery({ project, scope: work }, { skip: work.date === '' });
  return (
    <div className="rounds">
      <div className="stage-top">
        <StageParts stage="rounds" name={t('rounds:Rounds.rounds')} />
      </div>
      {error ? (
        <Problem error={error} />
      ) : view === 'answering' ? (
        <AnsweringTable />
      ) : !data ? (
        <Waiting for={t('rounds:Rounds.theRounds')} />
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
