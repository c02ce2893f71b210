import type { EChartsCoreOption, EChartsType } from 'echarts/core';
import { useEffect, useRef } from 'react';
import './charts.css';

/** An ECharts drawing that follows its option and its width. */
export function Chart({
  option,
  height,
  label,
  onReady,
}: {
  option: EChartsCoreOption;
  height: number;
  label: string;
  /** When it is drawn: for what is done with the mouse in it. */
  onReady?: (chart: EChartsType) => void;
}) {
  const place = useRef<HTMLDivElement>(null);
  const ready = useRef(onReady);
  useEffect(() => {
    ready.current = onReady;
  });
  useEffect(() => {
    let chart: EChartsType | null = null;
    let isGone = false;
    const watch = new ResizeObserver(() => chart?.resize());
    // What draws is large, and most pages draw nothing: it comes with the first drawing.
    void import('./drawing').then(({ drawIn }) => {
      if (isGone) return;
      chart = drawIn(place.current!);
      chart.setOption(option);
      ready.current?.(chart);
      watch.observe(place.current!);
    });
    return () => {
      isGone = true;
      watch.disconnect();
      chart?.dispose();
    };
  }, [option]);
  return <div ref={place} role="img" aria-label={label} style={{ height, width: '100%' }} />;
}
