import { theme, type ThemeConfig } from 'antd';

export type ThemeName = 'light' | 'night';

export const THEME_COOKIE = 'vine-knot-theme';

const COMMON = {
  fontFamily: "'Barlow', sans-serif",
  fontFamilyCode: "'IBM Plex Mono', monospace",
  fontSize: 15,
  borderRadius: 4,
  motion: false,
};

/** The look of the interface kit in our colours. After a change `npm run kit` writes its sheet again. */
export const KIT_THEMES: Record<ThemeName, ThemeConfig> = {
  // A key of its own, so that the rules of one theme never stand in for the other's.
  light: {
    cssVar: { key: 'vine-light' },
    hashed: false,
    zeroRuntime: true,
    token: {
      ...COMMON,
      colorPrimary: '#3f6b33',
      colorError: '#9b3322',
      colorWarning: '#8a5a00',
      colorSuccess: '#3f6b33',
      colorInfo: '#1d5c74',
      colorBgBase: '#fbf8f0',
      colorBgContainer: '#fbf8f0',
      colorBgElevated: '#fdfbf5',
      colorBgLayout: '#eae3d2',
      colorFillTertiary: '#e6dfcd',
      colorFillSecondary: '#ddd5c0',
      colorTextBase: '#1f2a1c',
      colorBorder: '#9c9277',
      colorTextPlaceholder: '#6b6f5c',
      colorTextDescription: '#4c5743',
      colorWarningBg: '#f6e3b4',
      colorErrorBg: '#f3d5cc',
      colorInfoBg: '#d9e0e4',
      colorSuccessBg: '#dbe6cd',
    },
    components: { Segmented: { itemColor: '#4c5743', trackBg: '#e6dfcd' } },
  },
  night: {
    cssVar: { key: 'vine-night' },
    hashed: false,
    zeroRuntime: true,
    algorithm: theme.darkAlgorithm,
    token: {
      ...COMMON,
      colorPrimary: '#97c283',
      colorTextLightSolid: '#12170f',
      colorError: '#f08d79',
      colorWarning: '#e9b64a',
      colorSuccess: '#97c283',
      colorInfo: '#86c5de',
      colorBgBase: '#151b12',
      colorBgContainer: '#1a2117',
      colorBgElevated: '#20281c',
      colorBgLayout: '#0c100a',
      colorTextBase: '#e9e3d2',
      colorBorder: '#6a7560',
      colorTextPlaceholder: '#a1a791',
      colorTextDescription: '#b3b8a2',
      colorWarningBg: '#3d300f',
      colorErrorBg: '#46201a',
      colorInfoBg: '#24303a',
      colorSuccessBg: '#26361f',
    },
    components: { Segmented: { itemColor: '#b3b8a2' } },
  },
};
