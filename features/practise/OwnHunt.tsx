'use client';

import { later } from '@/ui/later';
import type { DesignRecord } from '@/core/design/schema';

const DesignHunt = later(() => import('./DesignHunt').then((module) => module.DesignHunt));

/** A hunt on a copy of a design. */
export function OwnHunt(props: { designId: string; records: readonly DesignRecord[] }) {
  return <DesignHunt {...props} />;
}
