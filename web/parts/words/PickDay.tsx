import type { DatePickerProps } from 'antd';
import type { RangePickerProps } from 'antd/es/date-picker';
import type { Dayjs } from 'dayjs';
import { type ComponentType, Suspense, lazy } from 'react';

type PickDayProps = DatePickerProps<Dayjs, false>;

// A calendar is large and seldom opened: it comes with the first field that needs one.
const read = () => import('antd/es/date-picker');
const One = lazy(async () => ({ default: (await read()).default as ComponentType<PickDayProps> }));
const Two = lazy(async () => ({
  default: (await read()).default.RangePicker as ComponentType<RangePickerProps>,
}));

/** A day picked in a calendar. */
export const PickDay = (props: PickDayProps) => (
  <Suspense fallback={null}>
    <One {...props} />
  </Suspense>
);

/** A first and a last day picked in a calendar. */
export const PickDays = (props: RangePickerProps) => (
  <Suspense fallback={null}>
    <Two {...props} />
  </Suspense>
);
