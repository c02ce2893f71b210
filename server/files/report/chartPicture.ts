import type { ReportChart, ReportContent } from '@opsimath/contract/api/reportContent';
import { dayOf } from '@opsimath/core/day';
import { shown, spelledDay } from '@opsimath/core/shown';
import { escaped } from '../escape';
import { HAIRLINE, SOFT, ownInk, rivalInk } from './inks';

const HEIGHT = 210;
const [LEFT, RIGHT, TOP, BOTTOM] = [54, 110, 14, 24];
const STEPS = 4;

/** A curve for every side as a picture of lines; a day without a figure is a gap, what was changed is a mark. */
export function chartPicture(chart: ReportChart, { accent }: ReportContent, width: number): string {
  const { days, lines, unit, marks } = chart;
  const numbers = days.map(dayOf);
  const [first, last] = [numbers[0] ?? 0, numbers.at(-1) ?? 1];
  const top = niceTop(Math.max(...lines.flatMap(({ values }) => values.map((value) => value ?? 0)), 0));
  const x = (day: number): number =>
    LEFT + ((width - LEFT - RIGHT) * (day - first)) / Math.max(1, last - first);
  const y = (value: number): number => {
    const share = unit === 'position' ? value / top : 1 - value / top;
    return TOP + (HEIGHT - TOP - BOTTOM) * share;
  };
  const text = (at: number, line: number, words: string, anchor: string, ink = SOFT): string =>
    `<text x="${at}" y="${line}" font-family="Sans" font-size="9" text-anchor="${anchor}" fill="${ink}">${escaped(words)}</text>`;
  const kind = unit === 'share' ? 'share' : 'count';
  const grid = Array.from({ length: STEPS + 1 }, (_, n) => {
    const value = (top * n) / STEPS;
    return `<line x1="${LEFT}" x2="${width - RIGHT}" y1="${y(value)}" y2="${y(value)}" stroke="${HAIRLINE}"/>${text(LEFT - 6, y(value) + 3, shown(kind, value), 'end')}`;
  });
  const changed = marks.map(
    ({ day, text: words }) =>
      `<g><title>${escaped(`${spelledDay(day)}: ${words}`)}</title><line x1="${x(dayOf(day))}" x2="${x(dayOf(day))}" y1="${TOP}" y2="${HEIGHT - BOTTOM}" stroke="${SOFT}" stroke-dasharray="3 3"/></g>`,
  );
  const ends = spread(lines.map(({ values }) => y(values.findLast((value) => value !== null) ?? 0)));
  const curves = lines.map(({ name, letter, values }, n) => {
    const ink = n === 0 ? ownInk(accent) : rivalInk(n - 1);
    return `<path d="${pathOf(values, (at) => x(numbers[at]!), y)}" fill="none" stroke="${ink}" stroke-width="${n === 0 ? 2 : 1.2}"/>${text(width - RIGHT + 6, ends[n]! + 3, letter === null ? name : `${letter} ${name}`, 'start', ink)}`;
  });
  const dates = [days[0], days.at(-1)].flatMap((day, n) =>
    day === undefined
      ? []
      : [text(n === 0 ? LEFT : width - RIGHT, HEIGHT - 8, spelledDay(day), n === 0 ? 'start' : 'end')],
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${HEIGHT}" viewBox="0 0 ${width} ${HEIGHT}" role="img" aria-label="${escaped(chart.title)}">${[...grid, ...changed, ...curves, ...dates].join('')}</svg>`;
}

/** Pieces of a line between days that are known; a day that stands alone is a short stroke. */
function pathOf(
  values: readonly (number | null)[],
  x: (at: number) => number,
  y: (value: number) => number,
): string {
  let path = '';
  values.forEach((value, at) => {
    if (value === null) return;
    const before = at > 0 ? values[at - 1] : null;
    const point = `${x(at).toFixed(1)} ${y(value).toFixed(1)}`;
    path += before === null || before === undefined ? `M${point}` : `L${point}`;
    if ((before === null || before === undefined) && (values[at + 1] ?? null) === null) path += `h1`;
  });
  return path === '' ? 'M0 0' : path;
}

/** A round figure at or above the largest. */
export function niceTop(most: number): number {
  if (!(most > 0)) return 1;
  const size = 10 ** Math.floor(Math.log10(most));
  return [1, 2, 2.5, 4, 5, 8, 10].map((step) => step * size).find((step) => step >= most * (1 - 1e-9))!;
}

/** Names at the ends of curves, moved apart so that each can be read. */
function spread(wanted: readonly number[]): number[] {
  const order = wanted.map((_, n) => n).sort((a, b) => wanted[a]! - wanted[b]!);
  const placed = [...wanted];
  let free = -Infinity;
  for (const n of order) {
    placed[n] = Math.max(wanted[n]!, free);
    free = placed[n]! + 11;
  }
  return placed;
}
