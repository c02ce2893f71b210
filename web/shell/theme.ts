import { type ThemeConfig, theme } from 'antd';
import type { Theme } from '../state/preferences';

const INK = {
  light: {
    paper: '#f5f1e6',
    sheet: '#fcfaf4',
    raised: '#fffdf8',
    ink: '#22303a',
    soft: '#565f64',
    line: '#dcd4c1',
    strong: '#b9ae95',
    own: '#1d5c63',
    wash: '#e4ece8',
  },
  dark: {
    paper: '#1a2025',
    sheet: '#20282d',
    raised: '#28323a',
    ink: '#e8e2d3',
    soft: '#b3b5ad',
    line: '#353f45',
    strong: '#566169',
    own: '#6bbcbf',
    wash: '#22383b',
  },
} as const;

/** The controls of the component library in the colours of paper.css: compact, small radii, hairlines. */
export function themeOf(name: Theme): ThemeConfig {
  const ink = INK[name];
  return {
    algorithm: name === 'dark' ? theme.darkAlgorithm : theme.defaultAlgorithm,
    token: {
      fontFamily: "'Source Sans 3 Variable', sans-serif",
      fontSize: 13,
      controlHeight: 28,
      sizeUnit: 3,
      borderRadius: 2,
      borderRadiusLG: 3,
      colorPrimary: ink.own,
      colorInfo: ink.own,
      colorLink: ink.own,
      colorText: ink.ink,
      colorTextSecondary: ink.soft,
      colorTextPlaceholder: ink.soft,
      colorBgBase: ink.sheet,
      colorBgContainer: ink.sheet,
      colorBgElevated: ink.raised,
      colorBorder: ink.strong,
      colorBorderSecondary: ink.line,
      controlItemBgActive: ink.wash,
      controlItemBgHover: ink.wash,
      // Good and bad are said in words: no traffic lights.
      colorSuccess: ink.own,
      colorWarning: name === 'dark' ? '#d3a552' : '#8f611b',
      colorError: name === 'dark' ? '#d58a6c' : '#8a4a34',
      motion: false,
    },
    components: {
      Button: {
        primaryColor: name === 'dark' ? '#10181b' : '#fffdf8',
        primaryShadow: 'none',
        defaultShadow: 'none',
        fontWeight: 500,
      },
      Segmented: { trackBg: ink.paper, itemSelectedBg: ink.sheet },
      Modal: { titleFontSize: 17 },
    },
  };
}
