import dayjs from 'dayjs';
import { PickDay } from './PickDay';
import { t } from '../../words/t';

interface DayFieldProps {
  name: string;
  /** ISO day; empty without one. */
  value: string;
  /** Whether it may be without one. */
  canBeEmpty?: boolean;
  onChange: (isoDay: string) => void;
}

/** A day to choose, spelled as days are spelled everywhere. */
export function DayField({ name, value, canBeEmpty = false, onChange }: DayFieldProps) {
  return (
    <PickDay
      size="small"
      aria-label={name}
      format={t('parts:DayField.dMMMYYYY')}
      placeholder={t('parts:DayField.noDay')}
      style={{ width: 132 }}
      value={value === '' ? null : dayjs(value)}
      allowClear={canBeEmpty}
      onChange={(day) => onChange(day === null ? '' : day.format('YYYY-MM-DD'))}
    />
  );
}
