'use client';

import type { TopicId } from '@/core/practise/drills/topics';
import { later } from '@/ui/later';

const DrillScreen = later(() => import('./DrillScreen').then((module) => module.DrillScreen));

/** Drills begin with what this browser and the store know of the learner. */
export function Drill({ topic }: { topic: TopicId | null }) {
  return <DrillScreen topic={topic} />;
}
