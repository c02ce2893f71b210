import type { LaneCell, ReportContent } from '@opsimath/contract/api/reportContent';
import { TAB, TICKS, diamond, laneScale, placeTabs } from '@opsimath/core/lane/laneScale';
import { laneWords } from '@opsimath/core/lane/laneWords';
import { escaped } from '../escape';
import { HAIRLINE, SHEET, SOFT, STRONG, ownInk, rivalInk } from './inks';

const HEIGHT = 34;

/** The lane as a picture of lines: the same as on the screen, for files that have no screen. */
export function lanePicture(cell: LaneCell, content: ReportContent, width: number): string {
  const { own, rivals } = sidesOf(cell, content);
  const scale = laneScale(width);
  const y = Math.round(HEIGHT * 0.56);
  const ours = ownInk(content.accent);
  const { from, to } = scale.track;
  const x = scale.at(own.organic);
  const line = (x1: number, y1: number, x2: number, y2: number, ink: string): string =>
    `<line x1="${x1}" y1="${y1}" x2="${x2}" y2="${y2}" stroke="${ink}"/>`;
  const bay = (at: number): string => `M${at - 9} ${y - 7}h18v14h-18z`;
  const upright = (at: number, half: number): string => `M${at} ${y - half}v${2 * half}`;
  // Few elements: a report may have five hundred of these.
  const ground = `M${from} ${y}H${to}${TICKS.map((tick) => upright(scale.at(tick), 3)).join('')}`;
  const parts = [
    `<path d="${ground}" fill="none" stroke="${STRONG}"/>`,
    `<path d="${upright(scale.at(content.front), 8)}" fill="none" stroke="${SOFT}"/>`,
    `<path d="${bay(scale.at('absent'))}" fill="none" stroke="${HAIRLINE}"/>`,
    `<path d="${bay(scale.at('unknown'))}" fill="none" stroke="${HAIRLINE}" stroke-dasharray="2 2"/>`,
    ...placeTabs(rivals, scale.at, to).flatMap(({ side, left, at }) => [
      `<path d="M${left} ${y - 7 - TAB}h${TAB}v${TAB}h-${TAB}zM${at} ${y - 7}v4" fill="${rivalInk(side.hue)}" stroke="${rivalInk(side.hue)}" stroke-width="0.8"/>`,
      `<text x="${left + TAB / 2}" y="${y - 9.5}" font-family="Sans" font-size="8.5" text-anchor="middle" fill="${SHEET}">${escaped(side.letter)}</text>`,
    ]),
    ...rivals.flatMap((side) =>
      typeof side.paid === 'number'
        ? [`<path d="${diamond(scale.at(side.paid), y + 10)}" fill="${rivalInk(side.hue)}"/>`]
        : [],
    ),
    ...(typeof own.paid === 'number'
      ? [`<path d="${diamond(scale.at(own.paid), y + 10)}" fill="${ours}"/>`]
      : []),
    ...(own.before !== null && own.before !== own.organic
      ? [
          line(scale.at(own.before), y, x, y, ours),
          `<circle cx="${scale.at(own.before)}" cy="${y}" r="4" fill="${SHEET}" stroke="${ours}" stroke-width="1.5"/>`,
        ]
      : []),
    own.organic === 'unknown'
      ? `<text x="${x}" y="${y + 4}" font-family="Sans" font-size="12" text-anchor="middle" fill="${SOFT}">?</text>`
      : `<circle cx="${x}" cy="${y}" r="5" fill="${ours}"/>`,
  ];
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${HEIGHT}" viewBox="0 0 ${width} ${HEIGHT}" role="img" aria-label="${escaped(inWords(cell, content))}">${parts.join('')}</svg>`;
}

/** The same in words. */
export function inWords(cell: LaneCell, content: ReportContent): string {
  const { own, rivals } = sidesOf(cell, content);
  return laneWords(own, rivals);
}

function sidesOf(cell: LaneCell, { own, rivals }: ReportContent) {
  return {
    own: { name: own, organic: cell.own, before: cell.before, paid: cell.paid },
    rivals: rivals.map(({ name, letter }, n) => ({
      name,
      letter,
      hue: n,
      organic: cell.rivals[n] ?? ('unknown' as const),
      paid: cell.rivalsPaid[n] ?? ('unknown' as const),
    })),
  };
}
