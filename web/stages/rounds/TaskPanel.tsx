import type { RoundsView, Task } from '@opsimath/contract/api/rounds';
import { TASK_USES } from '@opsimath/contract/api/rounds';
import type { DraftKind } from '@opsimath/core/copy/draftFields';
import { ACTIONS, type Action } from '@opsimath/core/gap/action';
import { App, Button, Input, InputNumber, Select } from 'antd';
import { useState } from 'react';
import { DayField } from '../../parts/words/DayField';
import { count, spelledDay, worth } from '../../parts/words/figures';
import { useLocation, useNavigate } from 'react-router';
import { problemOf } from '../../state/api';
import { useAddDraftMutation } from '../../state/draftsApi';
import { writeScope } from '../../state/scope';
import { useReplaceMeasureMutation } from '../../state/roundsApi';
import { useScope } from '../../state/useScope';
import { daysWord, warningsOf } from './roundWords';
import type { TaskChanges } from './useTaskChanges';
import { useWorkScope } from './useWorkScope';

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
  const people = [...new Set(view.rounds.flatMap((one) => one.people.map(({ name }) => name)))];
  const set = (what: string, more: object): void =>
    void changes.change(`${what} of “${task.lead.text}”`, [{ id: task.id, ...more }]);
  return (
    <aside
      className="task-panel"
      aria-label="Piece of work"
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
    >
      <header>
        <h2>
          {task.action}: {task.lead.text}
        </h2>
        <Button size="small" onClick={onClose} aria-label="Close the piece of work">
          Close
        </Button>
      </header>
      <p>{task.reason}</p>
      <p className="soft">
        Adds about {worth(task.value)} {view.currency} a month, 80 % between {worth(task.low)} and{' '}
        {worth(task.high)}; as foretold on {spelledDay(task.foretold)}.{' '}
        <button className="plain written" onClick={() => change({ open: task.lead.id, task: null })}>
          Open the dossier
        </button>
      </p>
      {warningsOf(task, round).map((warning) => (
        <p key={warning} className="work-warning">
          {warning}
        </p>
      ))}
      <dl className="task-facts">
        <dt>Target</dt>
        <dd>
          {task.address !== '' ? (
            task.address
          ) : (
            <Written
              label="Address of the target"
              value=""
              placeholder="planned; its address once it is there"
              onSay={(address) => set('target', { address })}
            />
          )}
        </dd>
        <dt>Working title</dt>
        <dd>
          <Written label="Working title" value={task.title} onSay={(title) => set('title', { title })} />
        </dd>
        <dt>Person</dt>
        <dd>
          <Select
            size="small"
            aria-label="Person"
            style={{ width: 150 }}
            value={task.person}
            options={[
              { value: '', label: 'nobody yet' },
              ...people.filter(Boolean).map((name) => ({ value: name, label: name })),
            ]}
            onChange={(person: string) => set('person', { person })}
          />
        </dd>
        <dt>Due</dt>
        <dd>
          <DayField
            name="Due"
            canBeEmpty
            value={task.due ?? ''}
            onChange={(due) => set('due date', { due: due === '' ? null : due })}
          />
          {task.startBy !== null && <span className="soft"> start by {spelledDay(task.startBy)}</span>}
        </dd>
        <dt>Days</dt>
        <dd>
          <InputNumber
            size="small"
            aria-label="Days of work"
            min={0.05}
            max={400}
            step={0.25}
            style={{ width: 90 }}
            value={task.effort}
            onChange={(effort) => effort !== null && effort !== task.effort && set('days', { effort })}
          />{' '}
          <span className="soft">{daysWord(task.effort)}</span>
        </dd>
        <dt>Measure</dt>
        <dd>
          <MeasureChoice task={task} />
        </dd>
        <dt>Use</dt>
        <dd>
          <Select
            size="small"
            aria-label="Use"
            style={{ width: 150 }}
            value={task.use}
            options={TASK_USES.map((use) => ({
              value: use,
              label: use === 'both' ? 'organic and paid' : use,
            }))}
            onChange={(use: Task['use']) => set('use', { use })}
          />
        </dd>
        <dt>Round</dt>
        <dd>
          <Select
            size="small"
            aria-label="Round"
            style={{ width: 150 }}
            value={task.round ?? undefined}
            placeholder={task.state}
            options={view.rounds.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(next: number) => set('round', { round: next })}
          />
        </dd>
      </dl>
      <WriteDraft task={task} />
      <SetAside task={task} changes={changes} />
      <h3>Keywords that it serves</h3>
      <table className="ledger">
        <tbody>
          {task.keywords.slice(0, MOST_SHOWN).map(({ id, text, clicks, value }) => (
            <tr key={id}>
              <td>
                <button className="plain" onClick={() => change({ open: id, task: null })}>
                  {id === task.lead.id ? <b>{text}</b> : text}
                </button>
              </td>
              <td className="figure no-break">{count(Math.round(clicks))} clicks</td>
              <td className="figure">{worth(value)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </aside>
  );
}

const KIND_OF: Record<string, DraftKind> = { web: 'page', video: 'video', marketplace: 'listing' };

/** Begins a draft for this piece of work, or opens the one that was begun. */
function WriteDraft({ task }: { task: Task }) {
  const { project, scope } = useScope();
  const navigate = useNavigate();
  const { search } = useLocation();
  const { message } = App.useApp();
  const [add, { isLoading }] = useAddDraftMutation();
  const open = (draft: number): void =>
    void navigate({
      pathname: `/p/${project}/drafts`,
      search: writeScope(new URLSearchParams(search), { draft, task: null, view: '' }).toString(),
    });
  const begin = async (): Promise<void> => {
    try {
      const { id } = await add({
        project,
        draft: {
          market: task.market,
          date: scope.date,
          kind: KIND_OF[task.market.split('-')[0]!] ?? 'page',
          name: task.lead.text,
          address: task.address,
          task: task.id,
          keywords: task.keywords.filter(({ clicks }) => clicks > 0).map(({ id: keyword }) => keyword),
          title: ['retitle', 'new page', 'new video', 'new listing'].includes(task.action) ? task.title : '',
        },
      }).unwrap();
      open(id);
    } catch (error) {
      void message.warning(problemOf(error).message);
    }
  };
  if (task.action === 'advertise' || task.action === 'trim bid') return null;
  return (
    <p>
      {task.draft === null ? (
        <Button size="small" type="primary" loading={isLoading} onClick={() => void begin()}>
          Write a draft
        </Button>
      ) : (
        <Button size="small" onClick={() => open(task.draft!)}>
          Open its draft
        </Button>
      )}
    </p>
  );
}

/** Text that is said on leaving the field or with Enter. */
function Written(props: {
  label: string;
  value: string;
  placeholder?: string;
  onSay: (text: string) => void;
}) {
  const [text, write] = useState(props.value);
  const say = (): void => {
    if (text.trim() !== props.value) props.onSay(text.trim());
  };
  return (
    <Input
      size="small"
      aria-label={props.label}
      placeholder={props.placeholder}
      value={text}
      onChange={({ target }) => write(target.value)}
      onBlur={say}
      onPressEnter={say}
    />
  );
}

/** Another measure brings its own days and figures, where it would bring something. */
function MeasureChoice({ task }: { task: Task }) {
  const { project } = useScope();
  const scope = useWorkScope();
  const { message } = App.useApp();
  const [replace, { isLoading }] = useReplaceMeasureMutation();
  const choose = async (action: Action): Promise<void> => {
    try {
      await replace({ project, task: task.id, scope, action }).unwrap();
    } catch (error) {
      const { message: happened, todo } = problemOf(error);
      void message.warning(`${happened} ${todo ?? ''}`);
    }
  };
  return (
    <Select
      size="small"
      aria-label="Measure"
      style={{ width: 150 }}
      loading={isLoading}
      value={task.action}
      options={ACTIONS.filter((action) => !['hold', 'merge', 'capture first'].includes(action)).map(
        (action) => ({
          value: action,
          label: action,
        }),
      )}
      onChange={(action: Action) => void choose(action)}
    />
  );
}

/** Put off with a day and a reason, dropped with a reason, or back to the queue. */
function SetAside({ task, changes }: { task: Task; changes: TaskChanges }) {
  const [why, write] = useState(task.why);
  const [until, setUntil] = useState(task.until ?? '');
  const about = `“${task.lead.text}”`;
  return (
    <div className="set-aside">
      <Input
        size="small"
        aria-label="Reason"
        placeholder="Why it is put off or dropped"
        value={why}
        onChange={({ target }) => write(target.value)}
      />
      <span>
        <DayField name="Until" canBeEmpty value={until} onChange={setUntil} />{' '}
        <Button
          size="small"
          disabled={until === ''}
          title="It comes up again on that day"
          onClick={() =>
            void changes.change(`${about} put off`, [{ id: task.id, state: 'put off', until, why }])
          }
        >
          Put off
        </Button>{' '}
        <Button
          size="small"
          disabled={why.trim() === ''}
          title="It is not offered again; say why"
          onClick={() =>
            void changes.change(`${about} dropped`, [{ id: task.id, state: 'dropped', until: null, why }])
          }
        >
          Drop
        </Button>{' '}
        <Button
          size="small"
          onClick={() => void changes.change(`${about} back to the queue`, [{ id: task.id, state: 'out' }])}
        >
          Back to the queue
        </Button>
      </span>
    </div>
  );
}
