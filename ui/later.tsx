import dynamic from 'next/dynamic';
import type { ComponentType } from 'react';

/** A part of the page that is fetched when it is first opened, or by usePreload before that. */
export type Later<Props> = ComponentType<Props> & { load: () => Promise<ComponentType<Props>> };

export function later<Props>(load: () => Promise<ComponentType<Props>>): Later<Props> {
  return Object.assign(dynamic(load, { ssr: false }), { load });
}

/** The same of what lies over the page: what is typed while it is fetched is meant for it, and no command. */
export function laterOver<Props>(load: () => Promise<ComponentType<Props>>): Later<Props> {
  return Object.assign(dynamic(load, { ssr: false, loading: Opening }), { load });
}

function Opening() {
  return <span hidden data-opening />;
}
