import { BarChart, LineChart, ScatterChart } from 'echarts/charts';
import { GridComponent, LegendComponent, TooltipComponent } from 'echarts/components';
import { type EChartsCoreOption, init, use as register } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useRef } from 'react';

register([BarChart, LineChart, ScatterChart, GridComponent, LegendComponent, TooltipComponent, SVGRenderer]);

/** An ECharts drawing that follows its option and its width. */
export function Chart({
  option,
  height,
  label,
}: {
  option: EChartsCoreOption;
  height: number;
  label: string;
}) {
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const chart = init(place.current!, null, { renderer: 'svg' });
    chart.setOption(option);
    const watch = new ResizeObserver(() => chart.resize());
    watch.observe(place.current!);
    return () => {
      watch.disconnect();
      chart.dispose();
    };
  }, [option]);
  return <div ref={place} role="img" aria-label={label} style={{ height, width: '100%' }} />;
}
