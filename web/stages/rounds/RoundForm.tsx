import type { Round, RoundAddition } from '@opsimath/contract/api/rounds';
import { Button, Input, InputNumber, Modal, Popconfirm } from 'antd';
import { useState } from 'react';
import { DayField } from '../../parts/words/DayField';
import { useTrouble } from '../../parts/words/useTrouble';
import { useAddRoundMutation, useChangeRoundMutation, useRemoveRoundMutation } from '../../state/roundsApi';
import { useAppSelector } from '../../state/store';
import { useScope } from '../../state/useScope';
import { type RoundDraft, draftOfRound } from './draftOfRound';
import { t } from '../../words/t';

interface RoundFormProps {
  /** The round that is changed; `null` adds one. */
  round: Round | null;
  /** The last there is: a new one begins behind it. */
  after: Round | undefined;
  onClose: () => void;
}

/** Name, days, most pieces of work and people of a round. */
export function RoundForm({ round, after, onClose }: RoundFormProps) {
  const { project, scope } = useScope();
  const me = useAppSelector((state) => state.preferences.person);
  const [draft, write] = useState<RoundDraft>(() =>
    round === null ? draftOfRound(after, scope.date, me) : draftOf(round),
  );
  const [add] = useAddRoundMutation();
  const [change] = useChangeRoundMutation();
  const [remove] = useRemoveRoundMutation();
  const trouble = useTrouble();
  const save = async (): Promise<void> => {
    const said: RoundAddition = {
      ...draft,
      people: draft.people.filter(({ days, name }) => days > 0 || name !== ''),
    };
    try {
      await (round === null
        ? add({ project, round: said }).unwrap()
        : change({ project, id: round.id, change: said }).unwrap());
      onClose();
    } catch (error) {
      trouble(error);
    }
  };
  return (
    <Modal
      open
      title={<span className="serif">{round === null ? t('rounds:RoundForm.aNewRound') : round.name}</span>}
      okText={round === null ? t('rounds:RoundForm.addIt') : t('rounds:RoundForm.keep')}
      okButtonProps={{
        disabled: draft.name.trim() === '' || draft.starts > draft.ends || draft.people.length === 0,
      }}
      onOk={() => void save()}
      onCancel={onClose}
      width={440}
    >
      <RoundFields draft={draft} onChange={write} />
      {round !== null && (
        <Popconfirm
          title={t('rounds:RoundForm.removeNameItsWorkGoesBack', { name: round.name })}
          okText={t('rounds:RoundForm.remove')}
          onConfirm={() => void remove({ project, id: round.id }).then(onClose)}
        >
          <Button size="small">{t('rounds:RoundForm.removeThisRound')}</Button>
        </Popconfirm>
      )}
    </Modal>
  );
}

const draftOf = ({ name, starts, ends, most, people }: Round): RoundDraft => ({
  name,
  starts,
  ends,
  most,
  people: people.map((person) => ({ name: person.name, days: person.days })),
});

export function RoundFields({
  draft,
  onChange,
}: {
  draft: RoundDraft;
  onChange: (draft: RoundDraft) => void;
}) {
  const set = (more: Partial<RoundDraft>): void => onChange({ ...draft, ...more });
  const person = (n: number, more: Partial<RoundDraft['people'][number]>): void =>
    set({ people: draft.people.map((one, at) => (at === n ? { ...one, ...more } : one)) });
  return (
    <div className="round-fields">
      <label>
        {t('rounds:RoundForm.name')}
        <Input size="small" value={draft.name} onChange={({ target }) => set({ name: target.value })} />
      </label>
      <label>
        {t('rounds:RoundForm.from')}
        <DayField
          name={t('rounds:RoundForm.firstDay')}
          value={draft.starts}
          onChange={(starts) => set({ starts })}
        />
      </label>
      <label>
        {t('rounds:RoundForm.to')}
        <DayField
          name={t('rounds:RoundForm.lastDay')}
          value={draft.ends}
          onChange={(ends) => set({ ends })}
        />
      </label>
      <label>
        {t('rounds:RoundForm.mostActions')}
        <InputNumber
          size="small"
          min={1}
          max={200}
          value={draft.most}
          onChange={(most) => most !== null && set({ most })}
        />
      </label>
      <fieldset>
        <legend>{t('rounds:RoundForm.peopleAndTheDaysThatEach')}</legend>
        {draft.people.map(({ name, days }, n) => (
          <div key={n}>
            <Input
              size="small"
              aria-label={t('rounds:RoundForm.nameOfPersonN', { n: n + 1 })}
              value={name}
              onChange={({ target }) => person(n, { name: target.value })}
            />
            <InputNumber
              size="small"
              aria-label={t('rounds:RoundForm.daysOfPersonN', { n: n + 1 })}
              min={0}
              max={400}
              step={0.5}
              value={days}
              onChange={(value) => value !== null && person(n, { days: value })}
            />
            {draft.people.length > 1 && (
              <button
                className="plain soft written"
                onClick={() => set({ people: draft.people.filter((_, at) => at !== n) })}
              >
                {t('rounds:RoundForm.remove')}
              </button>
            )}
          </div>
        ))}
        <button
          className="plain written"
          onClick={() => set({ people: [...draft.people, { name: '', days: 5 }] })}
        >
          {t('rounds:RoundForm.addAPerson')}
        </button>
      </fieldset>
    </div>
  );
}
