'use client';

import type { DialogProps } from './DialogBox';
import { laterOver } from './later';

/** The one dialog. No page begins with one: it is fetched once the page rests. */
export const Dialog = laterOver<DialogProps>(() => import('./DialogBox').then(({ DialogBox }) => DialogBox));
