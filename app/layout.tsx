// First, so that rules of ours come after the kit's.
import '@/ui/kit/kit.css';
import '@fontsource/barlow/400.css';
import '@fontsource/barlow/500.css';
import '@fontsource/barlow/600.css';
import '@fontsource/barlow-semi-condensed/500.css';
import '@fontsource/barlow-semi-condensed/600.css';
import '@fontsource/ibm-plex-mono/400.css';
import '@fontsource/ibm-plex-mono/600.css';
import '@/ui/theme.css';
import type { Metadata, Viewport } from 'next';
import { cookies } from 'next/headers';
import type { ReactNode } from 'react';
import { THEME_COOKIE } from '@/ui/theme';
import { ThemeProvider } from '@/ui/ThemeProvider';

export const metadata: Metadata = {
  title: { default: 'Vine Knot', template: '%s · Vine Knot' },
  description: '12-volt house systems, designed and checked',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const theme = (await cookies()).get(THEME_COOKIE)?.value === 'night' ? 'night' : 'light';
  return (
    <html lang="en" data-theme={theme}>
      <body>
        <ThemeProvider initial={theme}>{children}</ThemeProvider>
      </body>
    </html>
  );
}
