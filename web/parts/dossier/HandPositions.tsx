import type { HandPosition } from '@opsimath/contract/api/handPositions';
import { Button, InputNumber, Select } from 'antd';
import dayjs from 'dayjs';
import { PickDay } from '../words/PickDay';
import { useState } from 'react';
import { useTargetsQuery } from '../../state/rosterApi';
import { useAppSelector } from '../../state/store';
import { PersonInput } from '../words/PersonInput';
import {
  useAddHandPositionMutation,
  useHandPositionsQuery,
  useRemoveHandPositionMutation,
  studyApi,
} from '../../state/studyApi';
import { request } from '../../state/operations';
import { useUndoable } from '../../state/undoStacks';
import { Problem } from '../words/Problem';
import { spelledDay } from '../words/figures';
import './study.css';
import { surfaceOf } from '../../state/surfaceOf';
import { t } from '../../words/t';
import { useSettings } from '../../state/useSettings';

interface HandPositionsProps {
  project: number;
  keyword: number;
  market: string;
  /** Day in scope: what is typed in is of it unless another is chosen. */
  date: string;
}

/** Positions that somebody saw and typed in, apart from captures: a look in one's own browser flatters. */
export function HandPositions({ project, keyword, market, date }: HandPositionsProps) {
  const { data, error } = useHandPositionsQuery({ project, keyword });
  const [open, setOpen] = useState(false);
  const counts = useSettings()?.handCounts ?? false;
  return (
    <section className="section" aria-label={t('parts:HandPositions.seenByHand')}>
      <h2>{t('parts:HandPositions.seenByHand')}</h2>
      {error && <Problem error={error} />}
      {data && data.length > 0 && (
        <>
          <p className="soft">
            {counts
              ? t('parts:HandPositions.theyCountInGapsWhereThey')
              : t('parts:HandPositions.theyMayBePersonalToWho')}
          </p>
          <ul className="told">
            {data.map((entry) => (
              <Entry key={entry.id} project={project} keyword={keyword} entry={entry} />
            ))}
          </ul>
        </>
      )}
      {open ? (
        <NewEntry
          project={project}
          keyword={keyword}
          surface={surfaceOf(market)}
          date={date}
          onDone={() => setOpen(false)}
        />
      ) : (
        <button className="plain written" onClick={() => setOpen(true)}>
          {t('parts:HandPositions.typeAPositionIn')}
        </button>
      )}
    </section>
  );
}

function Entry({ project, keyword, entry }: { project: number; keyword: number; entry: HandPosition }) {
  const [remove] = useRemoveHandPositionMutation();
  const { id, target, name, date, organic, paid, person } = entry;
  const undoable = useUndoable(project);
  const takeAway = async (): Promise<void> => {
    await remove({ project, keyword, entry: id }).unwrap();
    const arg = { project, keyword, id, target, date, organic, paid, person };
    undoable({
      what: t('parts:HandPositions.positionOfNameRemoved', { name }),
      undo: request(studyApi.endpoints.addHandPosition, arg),
      redo: request(studyApi.endpoints.removeHandPosition, { project, keyword, entry: id }),
    });
  };
  return (
    <li>
      <b>{name}</b> {organic !== null && t('parts:HandPositions.atOrganic', { organic })}
      {organic !== null && paid !== null && ', '}
      {paid !== null && t('parts:HandPositions.paidSlotPaid', { paid })}{' '}
      <span className="faint">
        {t('parts:HandPositions.dateTypedInPerson', {
          date: spelledDay(date),
          person: person && ` ${t('parts:HandPositions.byPerson', { person })}`,
        })}
      </span>{' '}
      <button className="plain soft written" onClick={() => void takeAway().catch(() => undefined)}>
        {t('parts:HandPositions.remove')}
      </button>
    </li>
  );
}

interface NewEntryProps {
  project: number;
  keyword: number;
  surface: string;
  date: string;
  onDone: () => void;
}

function NewEntry({ project, keyword, surface, date: today, onDone }: NewEntryProps) {
  const { data: targets } = useTargetsQuery(project);
  const [add, { error, isLoading }] = useAddHandPositionMutation();
  const undoable = useUndoable(project);
  const person = useAppSelector((state) => state.preferences.person);
  const choices = (targets ?? []).filter((target) => target.surface === surface);
  const [chosen, setChosen] = useState<number | null>(null);
  const [date, setDate] = useState(today);
  const [organic, setOrganic] = useState<number | null>(null);
  const [paid, setPaid] = useState<number | null>(null);
  const target = chosen ?? choices[0]?.id ?? null;
  const keep = async (): Promise<void> => {
    if (target === null) return;
    const arg = { project, keyword, target, date, organic, paid, person };
    const held = await add(arg).unwrap();
    const id = Math.max(...held.map((entry) => entry.id));
    undoable({
      what: t('parts:HandPositions.positionOfNameTypedIn', {
        name: choices.find((choice) => choice.id === target)?.name ?? '',
      }),
      undo: request(studyApi.endpoints.removeHandPosition, { project, keyword, entry: id }),
      redo: request(studyApi.endpoints.addHandPosition, { ...arg, id }),
    });
    onDone();
  };
  return (
    <form
      className="hand-entry"
      aria-label={t('parts:HandPositions.typeAPositionIn')}
      onSubmit={(event) => {
        event.preventDefault();
        void keep().catch(() => undefined);
      }}
    >
      <Select
        size="small"
        aria-label={t('parts:HandPositions.whosePosition')}
        popupMatchSelectWidth={false}
        value={target}
        onChange={setChosen}
        options={choices.map(({ id, name, side }) => ({
          value: id,
          label: side === 'own' ? t('parts:HandPositions.nameOurs', { name }) : name,
        }))}
      />
      <PlaceInput
        name={t('parts:HandPositions.organicPositionSeen')}
        hint="organic"
        value={organic}
        onChange={setOrganic}
        autoFocus
      />
      <PlaceInput name={t('parts:HandPositions.paidSlotSeen')} hint="paid" value={paid} onChange={setPaid} />
      <PickDay
        size="small"
        aria-label={t('parts:HandPositions.dayItWasSeen')}
        allowClear={false}
        value={dayjs(date)}
        onChange={(day) => day && setDate(day.format('YYYY-MM-DD'))}
      />
      <PersonInput name={t('parts:HandPositions.seenBy')} />
      <Button
        size="small"
        type="primary"
        htmlType="submit"
        loading={isLoading}
        disabled={organic === null && paid === null}
      >
        {t('parts:HandPositions.keep')}
      </Button>
      <Button size="small" onClick={onDone}>
        {t('parts:HandPositions.leave')}
      </Button>
      {error && <Problem error={error} />}
    </form>
  );
}

interface PlaceInputProps {
  name: string;
  hint: string;
  value: number | null;
  onChange: (place: number | null) => void;
  autoFocus?: boolean;
}

function PlaceInput({ name, hint, ...rest }: PlaceInputProps) {
  return (
    <InputNumber<number>
      size="small"
      aria-label={name}
      placeholder={hint}
      min={1}
      max={250}
      precision={0}
      {...rest}
    />
  );
}
