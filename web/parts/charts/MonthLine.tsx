import { memo } from 'react';
import { t } from '../../words/t';

interface MonthLineProps {
  /** Oldest first; `null` where unknown. */
  months: readonly (number | null)[];
  /** Calendar month of the peak, 0 = January. */
  peak: number | null;
  /** Calendar month of the last one shown. */
  lastMonth: number;
  width: number;
  height: number;
}

const NAMES = [
  t('parts:MonthLine.jan'),
  t('parts:MonthLine.feb'),
  t('parts:MonthLine.mar'),
  t('parts:MonthLine.apr'),
  t('parts:MonthLine.may'),
  t('parts:MonthLine.jun'),
  t('parts:MonthLine.jul'),
  t('parts:MonthLine.aug'),
  t('parts:MonthLine.sep'),
  t('parts:MonthLine.oct'),
  t('parts:MonthLine.nov'),
  t('parts:MonthLine.dec'),
];
const monthName = (month: number): string => NAMES[month]!;

/** Searches over twelve months as a line from nought, the highest month marked. */
export const MonthLine = memo(function MonthLine({ months, peak, lastMonth, width, height }: MonthLineProps) {
  const known = months.filter((count): count is number => count !== null);
  if (known.length < 2) return <span className="faint">{t('parts:MonthLine.unknown')}</span>;
  const most = Math.max(...known, 1);
  const x = (i: number): number => 2 + ((width - 4) * i) / (months.length - 1);
  const y = (count: number): number => height - 3 - ((height - 6) * count) / most;
  const points = months.flatMap((count, i) =>
    count === null ? [] : [`${x(i).toFixed(1)},${y(count).toFixed(1)}`],
  );
  const top = months.indexOf(most);
  const first = (lastMonth - months.length + 13) % 12;
  const words = t('parts:MonthLine.n12MonthsToMonthNameFromMonths', {
    monthName: monthName(lastMonth),
    months: months[0] ?? t('parts:MonthLine.unknown'),
    at: months.at(-1) ?? t('parts:MonthLine.unknown'),
    most,
    monthName2: monthName((first + top) % 12),
    which: peak === null ? '' : t('parts:MonthLine.peakOfTheSeasonMonthName', { monthName: monthName(peak) }),
  });
  return (
    <svg className="month-line" width={width} height={height} role="img" aria-label={words}>
      <title>{words}</title>
      <polyline points={points.join(' ')} />
      {top >= 0 && <circle cx={x(top)} cy={y(most)} r={1.8} />}
    </svg>
  );
});
