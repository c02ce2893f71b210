import { memo } from 'react';

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

const NAMES = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const monthName = (month: number): string => NAMES[month]!;

/** Searches over twelve months as a line from nought, the highest month marked. */
export const MonthLine = memo(function MonthLine({ months, peak, lastMonth, width, height }: MonthLineProps) {
  const known = months.filter((count): count is number => count !== null);
  if (known.length < 2) return <span className="faint">unknown</span>;
  const most = Math.max(...known, 1);
  const x = (i: number): number => 2 + ((width - 4) * i) / (months.length - 1);
  const y = (count: number): number => height - 3 - ((height - 6) * count) / most;
  const points = months.flatMap((count, i) =>
    count === null ? [] : [`${x(i).toFixed(1)},${y(count).toFixed(1)}`],
  );
  const top = months.indexOf(most);
  const first = (lastMonth - months.length + 13) % 12;
  const words = `12 months to ${monthName(lastMonth)}: from ${months[0] ?? 'unknown'} to ${months.at(-1) ?? 'unknown'}, most ${most} in ${monthName((first + top) % 12)}${peak === null ? '' : `; peak of the season ${monthName(peak)}`}`;
  return (
    <svg className="month-line" width={width} height={height} role="img" aria-label={words}>
      <title>{words}</title>
      <polyline points={points.join(' ')} />
      {top >= 0 && <circle cx={x(top)} cy={y(most)} r={1.8} />}
    </svg>
  );
});
