import type { Design } from '@/core/design/design';
import { recordsOf } from '@/core/design/design';

/** The views of stage Harness. */
export const HARNESS_VIEWS = [
  { value: 'schedule', label: 'Wires' },
  { value: 'making', label: 'Making' },
  { value: 'cables', label: 'Cables' },
  { value: 'leads', label: 'Leads' },
  { value: 'diagram', label: 'Diagram' },
  { value: 'loom', label: 'Loom' },
  { value: 'pins', label: 'Pins' },
  { value: 'panels', label: 'Panels' },
  { value: 'labels', label: 'Labels' },
  { value: 'cut', label: 'Cut list' },
  { value: 'parts', label: 'Parts' },
  { value: 'choices', label: 'Choices' },
] as const;
export type HarnessView = (typeof HARNESS_VIEWS)[number]['value'];

/** The view that shows a record best; null for what is in none of them. */
export function whereShown(design: Design, id: string): HarnessView | null {
  const record = design.records.get(id);
  switch (record?.type) {
    case 'wire':
      return 'schedule';
    case 'cable':
      return 'cables';
    case 'lead':
    case 'kit':
      return 'leads';
    case 'panel':
    case 'panelPart':
      return 'panels';
    case 'choice':
    case 'option':
      return 'choices';
    case 'device':
      return recordsOf(design, 'lead').some(({ deviceId }) => deviceId === id) ? 'leads' : 'pins';
    default:
      return null;
  }
}
