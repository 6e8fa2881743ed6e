import { HANDBOOK, handbookPageOf } from './pages';
import { RIG_RULES } from '../wording/rigWords';
import { SOURCE_RULES } from '../wording/sourceWords';
import { COORDINATION_RULES } from '../wording/coordinationWords';
import { HARNESS_RULES } from '../wording/harnessRuleWords';
import { SWITCHING_RULES } from '../wording/switchingRuleWords';
import { FAMILY_PAGES } from '../wording/wayWords';
import { WISH_RULES } from '../wording/wishRuleWords';
import type { Rule } from '../analysis/finding';

test('every rule about wiring, fuses, sources and the way leads to a page with sources and a caution', () => {
  const families = [RIG_RULES, SOURCE_RULES, COORDINATION_RULES, SWITCHING_RULES, WISH_RULES, HARNESS_RULES];
  const rules = families.flatMap((family) => Object.keys(family)) as Rule[];
  const more: Rule[] = ['wire.overloaded', 'fuse.aboveConductor', 'drop.overTarget', 'main.missing', 'network.leak', 'switch.overRating'];
  for (const rule of [...rules, ...more]) expect(handbookPageOf(rule)?.sources.length).toBeGreaterThan(0);
  expect(handbookPageOf('fuse.notSelective')?.id).toBe('chain');
  expect(handbookPageOf('fuse.continuousLoad')?.id).toBe('fuses');
  expect(handbookPageOf('harness.alike')?.id).toBe('colours');
  expect(handbookPageOf('harness.holesMeet')?.id).toBe('cutting');
  expect(handbookPageOf('lead.belowFuses')?.id).toBe('fuses');
  expect(handbookPageOf('build.untested')?.id).toBe('first-power');
  expect(handbookPageOf('wiring.goesPast')?.id).toBe('joints');
  expect(handbookPageOf('load.noCircuit')).toBeNull();
  for (const id of Object.values(FAMILY_PAGES)) expect(HANDBOOK.map((page) => page.id)).toContain(id);
});

test('pages are short, each its own, and their tables are whole', () => {
  expect(new Set(HANDBOOK.map(({ id }) => id)).size).toBe(HANDBOOK.length);
  for (const { paragraphs, table, caution } of HANDBOOK) {
    expect(paragraphs.join(' ').length).toBeLessThan(2400);
    expect(caution.length).toBeGreaterThan(20);
    for (const row of table?.rows ?? []) expect(row).toHaveLength(table!.head.length);
  }
});
