import { BarChart, LineChart, ScatterChart } from 'echarts/charts';
import {
  BrushComponent,
  DataZoomInsideComponent,
  GridComponent,
  MarkLineComponent,
  LegendComponent,
  TooltipComponent,
} from 'echarts/components';
import { type EChartsType, init, use as register } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';

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

/** Begins a drawing in its place. */
export const drawIn = (place: HTMLElement): EChartsType => init(place, null, { renderer: 'svg' });
