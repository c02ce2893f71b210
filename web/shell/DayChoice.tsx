import type { ProjectOverview } from '@opsimath/contract/api/projects';
import { Popover } from 'antd';
import dayjs from 'dayjs';
import { PickDay } from '../parts/words/PickDay';
import { useState } from 'react';
import { count, spelledDay } from '../parts/words/figures';
import { t } from '../words/t';

interface DayChoiceProps {
  name: string;
  value: string;
  /** Dates of which something is held, newest first. */
  dates: ProjectOverview['dates'];
  /** The services' day: offered too, and nothing after it. */
  today?: string | null | undefined;
  /** What to call no date at all; without it one must be chosen. */
  empty?: string;
  onChange: (isoDay: string) => void;
}

/** A date in the scope bar: the dates that hold something are offered first, any other can be picked. */
export function DayChoice({ name, value, dates, today, empty, onChange }: DayChoiceProps) {
  const [open, setOpen] = useState(false);
  const choose = (isoDay: string): void => {
    setOpen(false);
    onChange(isoDay);
  };
  const list = (
    <div style={{ width: 250 }}>
      <div style={{ maxHeight: 260, overflow: 'auto' }}>
        {empty && (
          <button className="plain day" onClick={() => choose('')}>
            {empty}
          </button>
        )}
        {today && !dates.some(({ date }) => date === today) && (
          <button className="plain day" aria-pressed={today === value} onClick={() => choose(today)}>
            <span>{spelledDay(today)}</span>
            <span className="faint">{t('shell:DayChoice.today')}</span>
          </button>
        )}
        {dates.slice(0, 120).map((entry) => (
          <button
            key={entry.date}
            className="plain day"
            aria-pressed={entry.date === value}
            onClick={() => choose(entry.date)}
          >
            <span>{spelledDay(entry.date)}</span>
            <span className="faint">
              {entry.date === today && `${t('shell:DayChoice.today2')} `}
              {heldWords(entry)}
            </span>
          </button>
        ))}
      </div>
      <PickDay
        style={{ width: '100%', marginTop: 8 }}
        aria-label={t('shell:DayChoice.anotherName', { name: name.toLowerCase() })}
        placeholder={t('shell:DayChoice.anotherDay')}
        value={value ? dayjs(value) : null}
        allowClear={false}
        {...(today && { maxDate: dayjs(today) })}
        onChange={(day) => day && choose(day.format('YYYY-MM-DD'))}
      />
    </div>
  );
  return (
    <Popover
      content={list}
      trigger="click"
      open={open}
      onOpenChange={setOpen}
      placement="bottomLeft"
      arrow={false}
    >
      <button
        className="plain written"
        aria-label={`${name}: ${value ? spelledDay(value) : (empty ?? t('shell:DayChoice.choose'))}`}
        style={{ color: 'var(--ink)' }}
      >
        {value ? spelledDay(value) : (empty ?? t('shell:DayChoice.choose'))}
      </button>
    </Popover>
  );
}

function heldWords(entry: ProjectOverview['dates'][number]): string {
  if (entry.captures > 0) return t('shell:DayChoice.capturesCaptures', { captures: count(entry.captures) });
  return t('shell:DayChoice.rankingsRankings', { rankings: count(entry.rankings) });
}
