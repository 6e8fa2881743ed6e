import dynamic from 'next/dynamic';
import type { ComponentType } from 'react';

/** A part of the page that is fetched when it is first opened, or by usePreload before that. */
export type Later<Props> = ComponentType<Props> & { load: () => Promise<ComponentType<Props>> };

export function later<Props>(load: () => Promise<ComponentType<Props>>): Later<Props> {
  return Object.assign(dynamic(load, { ssr: false }), { load });
}
