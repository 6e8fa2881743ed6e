import type { Load } from '@/core/design/schema';

/** Takes fields into a load under one label. */
export type SetLoad = (fields: Partial<Load>) => string | null;
