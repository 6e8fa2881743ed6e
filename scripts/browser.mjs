import { existsSync } from 'node:fs';

/** Debian's packages of Chromium that will do, the first the better: without a window's frame it starts in a third of the time. */
export const BROWSERS = [
  { name: 'chromium-headless-shell', path: '/usr/bin/chromium-headless-shell' },
  { name: 'chromium', path: '/usr/bin/chromium' },
];

/** The browser the tests, the bench and the soak drive: `CHROMIUM` names another. Undefined when none is there. */
export function browserPath() {
  return process.env.CHROMIUM ?? BROWSERS.map(({ path }) => path).find(existsSync);
}
