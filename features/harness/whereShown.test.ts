import { heron } from '../../demo/heron';
import { analyse } from '../../core/analysis/analyse';
import { findHarness } from '../../core/analysis/rules/harnessRules';
import { recordsOf, type Design } from '../../core/design/design';
import { HARNESS_VIEWS, whereShown } from './whereShown';

const design = heron();
const first = (type: Parameters<typeof recordsOf>[1], of: Design = design) => recordsOf(of, type)[0]!.id;

test.each([
  ['wire', 'schedule'],
  ['lead', 'leads'],
  ['kit', 'leads'],
  ['panel', 'panels'],
  ['panelPart', 'panels'],
  ['choice', 'choices'],
  ['route', null],
] as const)('a %s is shown in %s', (type, view) => {
  expect(whereShown(design, first(type))).toBe(view);
});

test('a device with leads is shown among those, any other with its pins; what is gone nowhere', () => {
  const [lead] = recordsOf(design, 'lead');
  expect(whereShown(design, lead!.deviceId)).toBe('leads');
  const other = recordsOf(design, 'device').find(({ id }) => recordsOf(design, 'lead').every(({ deviceId }) => deviceId !== id))!;
  expect(whereShown(design, other.id)).toBe('pins');
  expect(whereShown(design, 'nothing')).toBeNull();
});

test('whatever is found in the harness is shown in a view there is', () => {
  const views = new Set<unknown>(HARNESS_VIEWS.map(({ value }) => value));
  const found = findHarness(analyse(design));
  expect(found.length).toBeGreaterThan(2);
  for (const { subjects } of found) expect(views.has(whereShown(design, subjects[0]!))).toBe(true);
});
