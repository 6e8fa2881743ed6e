import { Bench } from '../bench/bench';
import { kindOf } from '../devices';
import { seeded } from '../energy/weather';
import { indexDesign } from '../rig/designIndex';
import { BUILD_TASKS, checked, drawnOf, wiredUp } from './buildTasks';

describe('a box of parts', () => {
  test.each(BUILD_TASKS.map((task) => [task.id, task] as const))(
    '%s: its shortest way is proved, and no wire of it can be left out',
    (_, task) => {
      const drawn = drawnOf(task.solution);
      expect(checked(task, drawn)).toMatchObject({ isDone: true, faults: [], wires: drawn.length, par: drawn.length });
      drawn.forEach((_wire, at) =>
        expect(
          checked(
            task,
            drawn.filter((_one, place) => place !== at),
          ).isDone,
        ).toBe(false),
      );
      expect(checked(task, []).isDone).toBe(false);
      // The box holds everything the way uses.
      const used = new Set(drawn.flatMap(({ from, to }) => [from.deviceId, to.deviceId]));
      for (const id of used) expect([...task.box, 'minusBar', 'fuse', 'coilFuse', 'barFuse', 'lampFuse']).toContain(id);
    },
  );

  test('what breaks it is shown: crossed travellers turn the lamp round, a short and a switch too small are faults', () => {
    const task = (id: string) => BUILD_TASKS.find((one) => one.id === id)!;
    const crossed = checked(task('two-places'), drawnOf('fuse.out > door.common, door.up > bunk.down, door.down > bunk.up, bunk.common > lamp.plus, lamp.minus > minusBar.bar')); // prettier-ignore
    expect(crossed.judged.map(({ verdict }) => verdict)).toEqual(['broken', 'broken', 'broken', 'broken']);
    const short = checked(task('lamp-switch'), [...drawnOf(task('lamp-switch').solution), ...drawnOf('switch.out > minusBar.bar')]);
    expect(short.isDone).toBe(false);
    expect(short.faults.join()).toMatch(/Positive meets negative/);
    const direct = checked(task('small-switch'), drawnOf('barFuse.out > switch.in, switch.out > bar.plus, bar.minus > minusBar.bar'));
    expect(direct.judged.every(({ verdict }) => verdict === 'kept')).toBe(true);
    expect(direct.faults.length).toBeGreaterThan(0);
    // The vehicle's thin wire must not carry the lamps themselves.
    const thin = checked(task('follow'), drawnOf('signals.highBeam > switch.up, lampFuse.out > switch.down, switch.common > lamps.plus, lamps.minus > minusBar.bar')); // prettier-ignore
    expect(thin.judged.every(({ verdict }) => verdict === 'kept')).toBe(true);
    expect(thin.faults.join()).toMatch(/signal|Vehicle/i);
  });

  test('wired at random it never throws, and what is proved keeps every wish by the bench too', () => {
    const random = seeded(12);
    let proved = 0;
    for (let game = 0; game < 120; game++) {
      const task = BUILD_TASKS[game % BUILD_TASKS.length]!;
      const index = indexDesign(task.design);
      const ends = [...task.box, 'minusBar', ...task.box].flatMap((id) => kindOf(index.devices.get(id)!).terminals(index.devices.get(id)!).map((terminal) => ({ deviceId: id, terminal }))); // prettier-ignore
      const pick = () => ends[Math.floor(random() * ends.length)]!;
      const drawn = [...drawnOf(task.solution).filter(() => random() < 0.9), ...(random() < 0.5 ? [{ from: pick(), to: pick() }] : [])].filter(({ from, to }) => from !== to); // prettier-ignore
      const built = checked(task, drawn);
      if (!built.isDone) continue;
      proved++;
      const bench = new Bench(indexDesign(wiredUp(task, drawn)));
      for (const { wish } of built.judged) {
        if (wish.says.kind !== 'on' && wish.says.kind !== 'off') continue;
        bench.rest();
        for (const { mover, position } of wish.says.when) bench.do({ kind: 'move', mover, position });
        expect(bench.answer.loads.find(({ id }) => id === wish.loadId)!.state === 'on').toBe(wish.says.kind === 'on');
      }
    }
    expect(proved).toBeGreaterThan(20);
  });
});
