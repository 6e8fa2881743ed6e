import fc from 'fast-check';
import { heron } from '../../demo/heron';
import { mistakesIn, spoil } from '../../testing/mistakes';
import { analyse } from '../../core/analysis/analyse';
import type { Rule } from '../../core/analysis/finding';
import { handbookPageOf } from '../../core/handbook/pages';
import { STAGES, stageOf, type StageId } from './stages';

const about = (rule: Rule, circuitId: string | null = null) => stageOf({ rule, circuitId });

test('each stage has a key of its own, and none that is taken', () => {
  const keys = STAGES.map(({ key }) => key);
  expect(new Set(keys).size).toBe(keys.length);
  // g p prints and g h goes home.
  expect(keys.filter((key) => ['p', 'h', 'g'].includes(key))).toEqual([]);
});

// Where a person goes to put it right: the stage whose screen edits what is wrong.
test.each<[Rule, string | null, StageId]>([
  ['rig.holeTooSmall', null, 'rig'],
  ['rig.noWay', 'cir', 'rig'],
  ['harness.alike', 'cir', 'harness'],
  ['load.noCircuit', null, 'loads'],
  ['load.measuredDiffers', 'cir', 'loads'],
  ['strip.longRun', 'cir', 'loads'],
  ['energy.noUse', null, 'loads'],
  ['energy.shortRuntime', null, 'energy'],
  ['main.missing', null, 'supply'],
  ['main.farFromBattery', null, 'supply'],
  ['fuse.notFed', 'cir', 'supply'],
  ['slot.overRating', 'cir', 'supply'],
  ['block.overRating', null, 'supply'],
  ['battery.loose', null, 'supply'],
  ['solar.coldVoltage', null, 'supply'],
  ['wire.overloaded', null, 'supply'],
  ['wire.overloaded', 'cir', 'circuits'],
  ['fuse.aboveConductor', 'cir', 'circuits'],
  ['drop.overTarget', 'cir', 'circuits'],
])('%s of %s is put right in %s', (rule, circuitId, stage) => {
  expect(about(rule, circuitId)).toBe(stage);
});

test('whatever is found has a stage that is there, shown where its record is', () => {
  const start = heron();
  const stages = new Set<string>(STAGES.map(({ id }) => id));
  fc.assert(
    fc.property(mistakesIn(start), (list) => {
      const { findings, design } = analyse(spoil(start, list));
      for (const finding of findings) {
        expect(stages.has(stageOf(finding))).toBe(true);
        const first = design.records.get(finding.subjects[0]!);
        // Places and routes are on the plan alone.
        if (first?.type === 'route' || first?.type === 'place') expect(stageOf(finding)).toBe('rig');
        if (stageOf(finding) === 'circuits') expect(design.records.has(finding.circuitId!)).toBe(true);
        const page = handbookPageOf(finding.rule);
        if (page) expect(page.title.length).toBeGreaterThan(3);
      }
    }),
    { numRuns: 80, seed: 10 },
  );
});
