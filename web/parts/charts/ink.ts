import { useMemo } from 'react';
import { useAppSelector } from '../../state/store';

export interface ChartInk {
  ink: string;
  soft: string;
  hairline: string;
  own: string;
  ochre: string;
  /** The ochre ramp, light to deep. */
  ramp: string[];
  sheet: string;
  rivals: string[];
}

/** The colours of paper.css as charts need them, for the theme in force. */
export function useChartInk(): ChartInk {
  const theme = useAppSelector((state) => state.preferences.theme);
  return useMemo(() => {
    // The theme decides what the page's style says: another theme, another reading.
    void theme;
    const style = getComputedStyle(document.documentElement);
    const read = (name: string): string => style.getPropertyValue(name).trim();
    return {
      ink: read('--ink'),
      soft: read('--ink-soft'),
      hairline: read('--hairline'),
      own: read('--own'),
      ochre: read('--ochre-3'),
      ramp: [0, 1, 2, 3, 4].map((step) => read(`--ochre-${step}`)),
      sheet: read('--sheet'),
      rivals: [0, 1, 2, 3].map((hue) => read(`--rival-${hue}`)),
    };
  }, [theme]);
}
