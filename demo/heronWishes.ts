import { recordsOf, type Design } from '../core/design/design';
import { Edit } from '../core/design/edit';
import type { Condition, WishSays } from '../core/design/schema';

/** What Heron's people want of its switches. One of the wishes is not kept: nobody wired the reversing lamps to reverse. */
export function wishOfHeron(design: Design): Design {
  const edit = new Edit(design);
  const idOf = (name: string) => recordsOf(design, 'device').find((device) => device.name === name)!.id;
  const stands = (name: string, position: string | boolean, control = 'position'): Condition => ({
    mover: { kind: 'device', deviceId: idOf(name), control },
    position,
  });
  const vehicle = (control: 'key' | 'reverse', position: string): Condition => ({ mover: { kind: 'vehicle', control }, position });
  let count = 0;
  const wish = (load: string, says: WishSays) =>
    edit.add({ id: `wish_${String(++count).padStart(2, '0')}`, type: 'wish', loadId: idOf(load), says });
  for (const side of ['Left', 'Right']) {
    const lamps = `Scene lights, ${side.toLowerCase()} switch`;
    wish(`${side} scene lamp, white`, { kind: 'on', when: [stands(lamps, 'up')] });
    wish(`${side} scene lamp, amber`, { kind: 'on', when: [stands(lamps, 'down')] });
    wish(`${side} scene lamp, white`, { kind: 'neverWith', otherId: idOf(`${side} scene lamp, amber`) });
  }
  wish('Step light', { kind: 'staysOn', after: stands('Step motion sensor', true, 'motion'), seconds: 60 });
  wish('Galley light strip', { kind: 'keyOut', answer: 'works' });
  wish('Locker light', { kind: 'powerBack', answer: 'asBefore' });
  wish('Reversing lamp', { kind: 'on', when: [vehicle('key', 'on'), vehicle('reverse', 'in')] });
  return edit.design;
}
