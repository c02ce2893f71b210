import { BarChart, LineChart, ScatterChart } from 'echarts/charts';
import {
  BrushComponent,
  DataZoomInsideComponent,
  GridComponent,
  MarkLineComponent,
  LegendComponent,
  TooltipComponent,
} from 'echarts/components';
import { type EChartsCoreOption, type EChartsType, init, use as register } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useRef } from 'react';
import './charts.css';

register([
  BarChart,
  LineChart,
  ScatterChart,
  BrushComponent,
  DataZoomInsideComponent,
  GridComponent,
  MarkLineComponent,
  LegendComponent,
  TooltipComponent,
  SVGRenderer,
]);

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
    const chart = init(place.current!, null, { renderer: 'svg' });
    chart.setOption(option);
    ready.current?.(chart);
    const watch = new ResizeObserver(() => chart.resize());
    watch.observe(place.current!);
    return () => {
      watch.disconnect();
      chart.dispose();
    };
  }, [option]);
  return <div ref={place} role="img" aria-label={label} style={{ height, width: '100%' }} />;
}
