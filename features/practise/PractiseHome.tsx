'use client';

import { later } from '@/ui/later';

const PractiseScreen = later(() => import('./PractiseScreen').then((module) => module.PractiseScreen));

/** Practising begins with what this browser and the store know of the learner. */
export function PractiseHome() {
  return <PractiseScreen />;
}
