'use client';

import { later } from '@/ui/later';

/** The screens of Practise. Each begins with what this browser and the store know of the learner, so none is drawn on the server. */
export const PractiseScreen = later(() => import('./PractiseScreen').then((screen) => screen.PractiseScreen));
export const BoardHunt = later(() => import('./BoardHunt').then((screen) => screen.BoardHunt));
export const DesignHunt = later(() => import('./DesignHunt').then((screen) => screen.DesignHunt));
export const DrillScreen = later(() => import('./DrillScreen').then((screen) => screen.DrillScreen));
export const BuildScreen = later(() => import('./BuildScreen').then((screen) => screen.BuildScreen));
