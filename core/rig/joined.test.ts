import { seeded } from '../../testing/random';
import { rig } from '../../testing/rig';
import { IS_WHOLE_RUN, runs, seedOf } from '../../testing/runs';
import { recordsOf, type Design } from '../design/design';
import { kindOf } from '../devices';
import { indexDesign } from './designIndex';
import { Joined, thrownBetween } from './joined';

/** Some changeovers, relays and joints, wired to one another at random. */
function randomContacts(seed: number): Design {
  const random = seeded(seed);
  const build = rig();
  const ends: string[] = [];
  for (let at = 0; at < 3; at++) {
    build.add({ id: `sw${at}`, kind: 'switch', ratingA: 16, form: 'changeoverOff' });
    ends.push(...['common', 'up', 'down'].map((terminal) => `sw${at}.${terminal}`));
  }
  const coil = { coilOhm: 85, pullInV: 7.2, dropOutV: 1.2, suppression: 'resistor', contactMilliohm: 5, ratingA: 30 } as const;
  build.add({ id: 'relay', kind: 'relay', pins: 5, ...coil });
  ends.push('relay.30', 'relay.87', 'relay.87a');
  for (let at = 0; at < 4; at++) {
    build.add({ id: `joint${at}`, kind: 'splice' });
    ends.push(`joint${at}.joint`);
  }
  const any = () => ends[Math.floor(random() * ends.length)]!;
  for (let wire = 0; wire < 12; wire++) {
    const [from, to] = [any(), any()];
    if (from !== to) build.wire(from, to);
  }
  return build.design();
}

/** What is reached from a terminal with every contact in some one position, all of these tried. */
function byBruteForce(design: Design, root: string): Set<string> {
  const edges: { ends: [string, string]; by: { contact: string; position: string } | null }[] = [];
  for (const { from, to } of recordsOf(design, 'wire'))
    edges.push({ ends: [`${from.deviceId}/${from.terminal}`, `${to.deviceId}/${to.terminal}`], by: null });
  for (const device of recordsOf(design, 'device'))
    for (const { from, to } of kindOf(device).paths(device))
      edges.push({ ends: [`${device.id}/${from}`, `${device.id}/${to}`], by: thrownBetween(device, from, to) });
  const contacts = new Map<string, Set<string>>();
  for (const { by } of edges) if (by) contacts.set(by.contact, (contacts.get(by.contact) ?? new Set()).add(by.position));
  let settings: Record<string, string>[] = [{}];
  for (const [contact, positions] of contacts)
    settings = settings.flatMap((one) => [...positions].map((position) => ({ ...one, [contact]: position })));
  const reached = new Set<string>();
  for (const set of settings) {
    const here = new Set([root]);
    for (const key of here)
      for (const { ends, by } of edges)
        if ((ends[0] === key || ends[1] === key) && (!by || set[by.contact] === by.position)) ends.forEach((end) => here.add(end));
    here.forEach((key) => reached.add(key));
  }
  return reached;
}

test('what is reached is what some one position of every contact joins, all positions tried; and by hanging together no less', () => {
  const met = { byThrows: 0, notReached: 0 };
  for (let run = 0; run < runs(300); run++) {
    const design = randomContacts(seedOf(run));
    const { devices, wires } = indexDesign(design);
    const joined = new Joined(devices, wires);
    for (const root of ['joint0/joint', 'sw0/up']) {
      const reached = joined.reachedFrom([root]);
      const expected = byBruteForce(design, root);
      expect([run, root, [...reached.keys()].sort()]).toEqual([run, root, [...expected].sort()]);
      const hanging = joined.hangingOn([root]);
      for (const key of expected) expect([run, key, hanging.has(key)]).toEqual([run, key, true]);
      met.notReached += hanging.size - expected.size;
      met.byThrows += [...reached.values()].filter((ways) => ways.length > 1).length;
    }
  }
  if (IS_WHOLE_RUN) expect(met.notReached > 20 && met.byThrows > 100).toBe(true);
});
