'use client';

import { createCache, StyleProvider } from '@ant-design/cssinjs';
import { ConfigProvider } from 'antd';
import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';
import { Dialog } from './Dialog';
import { KIT_THEMES, THEME_COOKIE, type ThemeName } from './theme';
import { usePreload } from './usePreload';

interface ThemeChoice {
  theme: ThemeName;
  setTheme(theme: ThemeName): void;
}

const Context = createContext<ThemeChoice>({ theme: 'light', setTheme: () => undefined });

const A_YEAR_S = 31_536_000;

const OPENED_LATER = [Dialog];

/** Gives the interface kit its look; its rules and the figures of both themes are in the kit's sheet. */
export function ThemeProvider({ initial, children }: { initial: ThemeName; children: ReactNode }) {
  const [theme, choose] = useState(initial);
  const [cache] = useState(() => createCache());
  usePreload(OPENED_LATER);
  const choice = useMemo(
    () => ({
      theme,
      setTheme(next: ThemeName) {
        document.documentElement.dataset.theme = next;
        document.cookie = `${THEME_COOKIE}=${next};path=/;max-age=${A_YEAR_S};samesite=lax`;
        choose(next);
      },
    }),
    [theme],
  );
  return (
    <StyleProvider cache={cache} hashPriority="low">
      <ConfigProvider theme={KIT_THEMES[theme]} wave={{ disabled: true }}>
        <Context value={choice}>{children}</Context>
      </ConfigProvider>
    </StyleProvider>
  );
}

export function useTheme(): ThemeChoice {
  return useContext(Context);
}
