import { rig } from '../../../testing/rig';
import type { ConductorSize } from '../../catalog/conductorSizes';
import { analyse } from '../analyse';
import type { Finding } from '../finding';

/** What 1.5 mm² carries by itself at 30 °C and 105 °C insulation, A. Source: ISO 10133 table A.1, from memory. */
const CARRIES_A = 25;

interface Asked {
  amps?: number;
  fuseA?: number;
  out?: ConductorSize;
  joinedBy?: ConductorSize;
  home?: ConductorSize;
  outMm?: number;
}

/** A load behind a fuse: out by two wires with a joint between, home by one. */
function behind({ amps = 1, fuseA = 3, out = 'mm2:1.5', joinedBy = out, home = out, outMm = 1000 }: Asked): Finding[] {
  const build = rig();
  build.supply({ mainA: 60, cable: 'mm2:25' });
  build.slot('fuse', 1, fuseA);
  build.add({ id: 'joint', kind: 'splice' });
  build.load(0, 'resistive', 0, { id: 'load', rated: { kind: 'amps', amps, atV: 12 } });
  build.wire('fuse.out', 'joint.joint', outMm, out);
  build.wire('joint.joint', 'load.plus', outMm, joinedBy);
  build.wire('load.minus', 'bar.bar', 500, home, 'return');
  build.circuit('one', 1, 'fuse');
  return analyse(build.design()).findings.filter(({ circuitId }) => circuitId === 'circuit_one');
}

const found = (asked: Asked, rule: string) => behind(asked).filter((finding) => finding.rule === rule);

test('a wire carries what the table says and no more', () => {
  expect(found({ amps: CARRIES_A, fuseA: 25 }, 'wire.overloaded')).toEqual([]);
  expect(found({ amps: CARRIES_A + 0.01, fuseA: 25 }, 'wire.overloaded')).toMatchObject([
    { severity: 'fault', numbers: { ampacityA: CARRIES_A, conductor: 'mm2:1.5' } },
  ]);
});

test('a fuse guards a wire that carries its rating, and none that carries less', () => {
  expect(found({ fuseA: 25 }, 'fuse.aboveConductor')).toEqual([]);
  expect(found({ fuseA: 30 }, 'fuse.aboveConductor')).toMatchObject([
    { severity: 'fault', numbers: { ratingA: 30, ampacityA: CARRIES_A } },
  ]);
});

test('thin wires of one circuit are one thing to mend, told by the thinnest', () => {
  for (const [out, joinedBy] of [
    ['mm2:1.5', 'mm2:1'],
    ['mm2:1', 'mm2:1.5'],
  ] as const) {
    const [one, ...others] = found({ fuseA: 30, out, joinedBy, home: 'mm2:6' }, 'fuse.aboveConductor');
    expect(others).toEqual([]);
    expect(one).toMatchObject({ severity: 'fault', numbers: { conductor: 'mm2:1' } });
    expect(one!.subjects).toHaveLength(3);
    expect(new Set(one!.subjects).size).toBe(3);
  }
});

test('a return as thick as its feed is the feed’s mistake again; a thinner one is its own', () => {
  expect(found({ fuseA: 30 }, 'return.thinnerThanFuse')).toEqual([]);
  expect(found({ fuseA: 30, home: 'mm2:1' }, 'return.thinnerThanFuse')).toMatchObject([{ numbers: { conductor: 'mm2:1' } }]);
  expect(found({ fuseA: 30, out: 'mm2:6', home: 'mm2:1' }, 'return.thinnerThanFuse')).toHaveLength(1);
});

test('one square millimetre is the least for strength, three quarters are a caution', () => {
  expect(found({ out: 'mm2:1' }, 'wire.belowMinimum')).toEqual([]);
  expect(found({ out: 'mm2:0.75' }, 'wire.belowMinimum')).toMatchObject([{ severity: 'caution' }]);
});

test('what the table has no row for carries nothing: a fault of its own, and the only one said of what it carries', () => {
  const rules = behind({ out: 'mm2:0.5', home: 'mm2:1.5' }).map(({ rule }) => rule);
  expect(rules).toContain('wire.tooSmallForStandard');
  expect(rules).not.toContain('wire.overloaded');
});
