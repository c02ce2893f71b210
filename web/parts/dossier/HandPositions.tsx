import type { HandPosition } from '@opsimath/contract/api/handPositions';
import { Button, DatePicker, InputNumber, Select } from 'antd';
import dayjs from 'dayjs';
import { useState } from 'react';
import { useProjectsQuery } from '../../state/projectApi';
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
  const { data: projects } = useProjectsQuery();
  const [open, setOpen] = useState(false);
  const counts = projects?.find(({ id }) => id === project)?.settings.handCounts ?? false;
  return (
    <section className="section" aria-label="Seen by hand">
      <h2>Seen by hand</h2>
      {error && <Problem error={error} />}
      {data && data.length > 0 && (
        <>
          <p className="soft">
            {counts
              ? 'They count in gaps where they are newer than the capture, as the settings say.'
              : 'They may be personal to who looked and count nowhere, unless the settings say so.'}
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
          Type a position in
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
      what: `position of ${name} removed`,
      undo: request(studyApi.endpoints.addHandPosition, arg),
      redo: request(studyApi.endpoints.removeHandPosition, { project, keyword, entry: id }),
    });
  };
  return (
    <li>
      <b>{name}</b> {organic !== null && `at ${organic}`}
      {organic !== null && paid !== null && ', '}
      {paid !== null && `paid slot ${paid}`}{' '}
      <span className="faint">
        {spelledDay(date)}, typed in{person && ` by ${person}`}
      </span>{' '}
      <button className="plain soft written" onClick={() => void takeAway().catch(() => undefined)}>
        remove
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
      what: `position of ${choices.find((choice) => choice.id === target)?.name ?? ''} typed in`,
      undo: request(studyApi.endpoints.removeHandPosition, { project, keyword, entry: id }),
      redo: request(studyApi.endpoints.addHandPosition, { ...arg, id }),
    });
    onDone();
  };
  return (
    <form
      className="hand-entry"
      aria-label="Type a position in"
      onSubmit={(event) => {
        event.preventDefault();
        void keep().catch(() => undefined);
      }}
    >
      <Select
        size="small"
        aria-label="Whose position"
        popupMatchSelectWidth={false}
        value={target}
        onChange={setChosen}
        options={choices.map(({ id, name, side }) => ({
          value: id,
          label: side === 'own' ? `${name} (ours)` : name,
        }))}
      />
      <PlaceInput
        name="Organic position seen"
        hint="organic"
        value={organic}
        onChange={setOrganic}
        autoFocus
      />
      <PlaceInput name="Paid slot seen" hint="paid" value={paid} onChange={setPaid} />
      <DatePicker
        size="small"
        aria-label="Day it was seen"
        allowClear={false}
        value={dayjs(date)}
        onChange={(day) => day && setDate(day.format('YYYY-MM-DD'))}
      />
      <PersonInput name="Seen by" />
      <Button
        size="small"
        type="primary"
        htmlType="submit"
        loading={isLoading}
        disabled={organic === null && paid === null}
      >
        Keep
      </Button>
      <Button size="small" onClick={onDone}>
        Leave
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
