import type { RoundsView, Task } from '@opsimath/contract/api/rounds';
import { Button } from 'antd';
import { counted, spelledDay, worth } from '../../parts/words/figures';
import { useScope } from '../../state/useScope';
import { SetAside } from './SetAside';
import { TaskFields } from './TaskFields';
import { WriteDraft } from './WriteDraft';
import { warningsOf } from './roundWords';
import type { TaskChanges } from './useTaskChanges';
import { t, wordOf } from '../../words/t';

const MOST_SHOWN = 14;

interface TaskPanelProps {
  task: Task;
  view: RoundsView;
  changes: TaskChanges;
  onClose: () => void;
}

/** All of one piece of work: what it is for, who does it and when, and where else it could go. */
export function TaskPanel({ task, view, changes, onClose }: TaskPanelProps) {
  const { change } = useScope();
  const round = view.rounds.find(({ id }) => id === task.round);
  return (
    <aside
      className="task-panel"
      aria-label={t('rounds:TaskPanel.pieceOfWork')}
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
    >
      <header>
        <h2>
          {wordOf(task.action)}
          {': '}
          {task.lead.text}
        </h2>
        <Button size="small" onClick={onClose} aria-label={t('rounds:TaskPanel.closeThePieceOfWork')}>
          {t('rounds:TaskPanel.close')}
        </Button>
      </header>
      <p>{task.reason}</p>
      <p className="soft">
        {t('rounds:TaskPanel.addsAboutWorthCurrencyAMonth', {
          worth: worth(task.value),
          currency: view.currency,
          low: worth(task.low),
          high: worth(task.high),
          foretold: spelledDay(task.foretold),
        })}{' '}
        <button className="plain written" onClick={() => change({ open: task.lead.id, task: null })}>
          {t('rounds:TaskPanel.openTheDossier')}
        </button>
      </p>
      {warningsOf(task, round).map((warning) => (
        <p key={warning} className="work-warning">
          {warning}
        </p>
      ))}
      <TaskFields task={task} rounds={view.rounds} changes={changes} />
      <WriteDraft task={task} />
      <SetAside task={task} changes={changes} />
      <h3>{t('rounds:TaskPanel.keywordsThatItServes')}</h3>
      <table className="ledger">
        <tbody>
          {task.keywords.slice(0, MOST_SHOWN).map(({ id, text, clicks, value }) => (
            <tr key={id}>
              <td>
                <button className="plain" onClick={() => change({ open: id, task: null })}>
                  {id === task.lead.id ? <b>{text}</b> : text}
                </button>
              </td>
              <td className="figure no-break">{counted(Math.round(clicks), 'click')}</td>
              <td className="figure">{worth(value)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </aside>
  );
}
