import { OWN_PERIODS, readPeriod } from '@opsimath/core/demand/period';
import { Popover } from 'antd';
import dayjs from 'dayjs';
import { PickDays } from '../parts/words/PickDay';
import { useState } from 'react';
import { spelledDay } from '../parts/words/figures';
import { t, wordOf } from '../words/t';

/** Period of own search performance: a length that ends with the newest day held, or two days. */
export function PeriodChoice({ value, onChange }: { value: string; onChange: (period: string) => void }) {
  const [open, setOpen] = useState(false);
  const choose = (period: string): void => {
    setOpen(false);
    onChange(period);
  };
  const period = readPeriod(value);
  const days = period !== null && typeof period !== 'string' ? period : null;
  const shown = days ? `${spelledDay(days.from)} – ${spelledDay(days.to)}` : wordOf(value);
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={setOpen}
      placement="bottomLeft"
      arrow={false}
      content={
        <div style={{ width: 250 }}>
          {OWN_PERIODS.map((entry) => (
            <button
              key={entry}
              className="plain day"
              aria-pressed={entry === value}
              onClick={() => choose(entry)}
            >
              {wordOf(entry)}
            </button>
          ))}
          <PickDays
            style={{ width: '100%', marginTop: 8 }}
            aria-label={t('shell:PeriodChoice.twoDays')}
            placeholder={[t('shell:PeriodChoice.from'), t('shell:PeriodChoice.to')]}
            value={days ? [dayjs(days.from), dayjs(days.to)] : null}
            onChange={(range) => {
              if (range?.[0] && range[1])
                choose(`${range[0].format('YYYY-MM-DD')}..${range[1].format('YYYY-MM-DD')}`);
            }}
          />
        </div>
      }
    >
      <button
        className="plain written"
        aria-label={t('shell:PeriodChoice.ownDataPeriodShown', { shown })}
        style={{ color: 'var(--ink)' }}
      >
        {shown}
      </button>
    </Popover>
  );
}
