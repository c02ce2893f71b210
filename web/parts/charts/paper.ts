import { count } from '../words/figures';
import type { ChartInk } from './ink';

/** What every chart on our paper has: its hand, its tip, no movement. */
export function onPaper(ink: ChartInk) {
  return {
    animation: false,
    textStyle: { fontFamily: 'Source Sans 3 Variable', color: ink.soft },
    tooltip: {
      trigger: 'axis',
      backgroundColor: ink.sheet,
      borderColor: ink.hairline,
      textStyle: { color: ink.ink, fontSize: 12 },
    },
  };
}

/** Days from left to right. */
export function timeAxis(ink: ChartInk) {
  return {
    type: 'time',
    axisLine: { lineStyle: { color: ink.hairline } },
    axisLabel: { hideOverlap: true, formatter: { year: '{yyyy}', month: '{MMM}', day: '{d} {MMM}' } },
  };
}

/** Steps from left to right, each with its name. */
export function stepAxis(ink: ChartInk, data: readonly string[]) {
  return {
    type: 'category',
    data,
    axisLine: { lineStyle: { color: ink.hairline } },
    axisTick: { show: false },
  };
}

/** Counts from the foot up. */
export function countAxis(ink: ChartInk) {
  return {
    type: 'value',
    axisLabel: { formatter: (value: number) => count(value) },
    splitLine: { lineStyle: { color: ink.hairline, type: 'dotted' } },
  };
}

export function smallLegend(ink: ChartInk) {
  return { top: 0, itemWidth: 12, itemHeight: 8, textStyle: { color: ink.soft, fontSize: 11 } };
}
