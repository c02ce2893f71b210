import { type Round, TASK_USES, type Task } from '@opsimath/contract/api/rounds';
import { ACTIONS, type Action } from '@opsimath/core/gap/action';
import { Input, InputNumber, Select } from 'antd';
import { useState } from 'react';
import { DayField } from '../../parts/words/DayField';
import { spelledDay } from '../../parts/words/figures';
import { useTrouble } from '../../parts/words/useTrouble';
import { useReplaceMeasureMutation } from '../../state/roundsApi';
import { useScope } from '../../state/useScope';
import { daysWord } from './roundWords';
import type { TaskChanges } from './useTaskChanges';
import { useWorkScope } from './useWorkScope';
import { t, wordOf } from '../../words/t';

const WIDTH = 150;
/** What is no piece of work. */
const NO_WORK: ReadonlySet<Action> = new Set(['hold', 'merge', 'capture first']);

interface TaskFieldsProps {
  task: Task;
  rounds: readonly Round[];
  changes: TaskChanges;
}

/** What can be set of a piece of work: its target and title, who does it, when, how, and in which round. */
export function TaskFields({ task, rounds, changes }: TaskFieldsProps) {
  const people = [...new Set(rounds.flatMap((one) => one.people.map(({ name }) => name)))].filter(Boolean);
  const set = (what: string, more: object): void =>
    void changes.change(t('rounds:TaskFields.whatOfText', { what, text: task.lead.text }), [
      { id: task.id, ...more },
    ]);
  return (
    <dl className="task-facts">
      <Field name={t('rounds:TaskFields.target')}>
        {task.address !== '' ? (
          task.address
        ) : (
          <Written
            label={t('rounds:TaskFields.addressOfTheTarget')}
            value=""
            placeholder={t('rounds:TaskFields.plannedItsAddressOnceItIs')}
            onSay={(address) => set('target', { address })}
          />
        )}
      </Field>
      <Field name={t('rounds:TaskFields.workingTitle')}>
        <Written
          label={t('rounds:TaskFields.workingTitle')}
          value={task.title}
          onSay={(title) => set('title', { title })}
        />
      </Field>
      <Field name={t('rounds:TaskFields.person')}>
        <Choice
          name={t('rounds:TaskFields.person')}
          value={task.person}
          options={[['', t('rounds:TaskFields.nobodyYet')], ...people.map((name) => [name, name] as const)]}
          onChoose={(person) => set('person', { person })}
        />
      </Field>
      <Field name={t('rounds:TaskFields.due')}>
        <DayField
          name={t('rounds:TaskFields.due')}
          canBeEmpty
          value={task.due ?? ''}
          onChange={(due) => set('due date', { due: due === '' ? null : due })}
        />
        {task.startBy !== null && (
          <span className="soft">
            {' '}
            {t('rounds:TaskFields.startByStartBy', { startBy: spelledDay(task.startBy) })}
          </span>
        )}
      </Field>
      <Field name={t('rounds:TaskFields.days')}>
        <InputNumber
          size="small"
          aria-label={t('rounds:TaskFields.daysOfWork')}
          min={0.05}
          max={400}
          step={0.25}
          style={{ width: 90 }}
          value={task.effort}
          onChange={(effort) => effort !== null && effort !== task.effort && set('days', { effort })}
        />{' '}
        <span className="soft">{daysWord(task.effort)}</span>
      </Field>
      <Field name={t('rounds:TaskFields.measure')}>
        <MeasureChoice task={task} />
      </Field>
      <Field name={t('rounds:TaskFields.use')}>
        <Choice
          name={t('rounds:TaskFields.use')}
          value={task.use}
          options={TASK_USES.map((use) => [use, use === 'both' ? 'organic and paid' : use] as const)}
          onChoose={(use) => set('use', { use })}
        />
      </Field>
      <Field name={t('rounds:TaskFields.round')}>
        <Choice
          name={t('rounds:TaskFields.round')}
          value={task.round}
          placeholder={wordOf(task.state)}
          options={rounds.map(({ id, name }) => [id, name] as const)}
          onChoose={(round) => set('round', { round })}
        />
      </Field>
    </dl>
  );
}

function Field({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <>
      <dt>{name}</dt>
      <dd>{children}</dd>
    </>
  );
}

interface ChoiceProps<Value> {
  name: string;
  value: Value | null;
  placeholder?: string;
  /** Each with what it is called. */
  options: readonly (readonly [Value, string])[];
  isBusy?: boolean;
  onChoose: (value: Value) => void;
}

function Choice<Value extends string | number>(props: ChoiceProps<Value>) {
  const { name, value, placeholder, options, isBusy = false, onChoose } = props;
  return (
    <Select<Value>
      size="small"
      aria-label={name}
      style={{ width: WIDTH }}
      loading={isBusy}
      placeholder={placeholder}
      value={value ?? undefined}
      options={options.map(([of, label]) => ({ value: of, label }))}
      onChange={onChoose}
    />
  );
}

/** Another measure brings its own days and figures, where it would bring something. */
function MeasureChoice({ task }: { task: Task }) {
  const { project } = useScope();
  const scope = useWorkScope();
  const trouble = useTrouble();
  const [replace, { isLoading }] = useReplaceMeasureMutation();
  const choose = async (action: Action): Promise<void> => {
    try {
      await replace({ project, task: task.id, scope, action }).unwrap();
    } catch (error) {
      trouble(error);
    }
  };
  return (
    <Choice
      name={t('rounds:TaskFields.measure')}
      value={task.action}
      isBusy={isLoading}
      options={ACTIONS.filter((action) => !NO_WORK.has(action)).map((action) => [action, action] as const)}
      onChoose={(action) => void choose(action)}
    />
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
