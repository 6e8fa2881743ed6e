import type { VehicleControl } from '../core/catalog/vocabulary';
import { recordsOf, type Design } from '../core/design/design';
import { Edit } from '../core/design/edit';
import type { Condition, WishSays } from '../core/design/schema';

/** What Heron's people want of its switches. Two of the wishes are not kept: the mistakes that only the bench shows. */
export function wishOfHeron(design: Design): Design {
  const edit = new Edit(design);
  const idOf = (name: string) => recordsOf(design, 'device').find((device) => device.name === name)!.id;
  const stands = (name: string, position: string | boolean, control = 'position'): Condition => ({
    mover: { kind: 'device', deviceId: idOf(name), control },
    position,
  });
  const vehicle = (control: VehicleControl, position: string): Condition => ({ mover: { kind: 'vehicle', control }, position });
  let count = 0;
  const wish = (load: string, says: WishSays) =>
    edit.add({ id: `wish_${String(++count).padStart(2, '0')}`, type: 'wish', loadId: idOf(load), says });
  for (const side of ['Left', 'Right']) {
    const lamps = `Scene lights, ${side.toLowerCase()} switch`;
    const byPanel = stands(`Scene ${side.toLowerCase()}, panel or fob`, 'down');
    const byFob = stands(`Scene ${side.toLowerCase()}, panel or fob`, 'up');
    const button = (channel: string, on: boolean) => stands(`${side} scene radio`, on, channel);
    wish(`${side} scene lamp, white`, { kind: 'on', when: [byPanel, stands(lamps, 'up')] });
    wish(`${side} scene lamp, white`, { kind: 'on', when: [byFob, button('ch1', true), button('ch2', false)] });
    wish(`${side} scene lamp, amber`, { kind: 'on', when: [byPanel, stands(lamps, 'down')] });
    wish(`${side} scene lamp, white`, { kind: 'neverWith', otherId: idOf(`${side} scene lamp, amber`) });
  }
  const driving = 'Driving lamp, high';
  wish(driving, { kind: 'off', when: [vehicle('lamps', 'low')] });
  wish(driving, { kind: 'on', when: [stands('Driving lamps switch', 'up'), vehicle('key', 'on'), vehicle('lamps', 'high')] });
  wish('Driving lamp, low', { kind: 'on', when: [stands('Driving lamps switch', 'down')], wins: true });
  wish('Bench puck', { kind: 'keyOut', answer: 'works' });
  wish('Step light', { kind: 'staysOn', after: stands('Step motion sensor', true, 'motion'), seconds: 60 });
  wish('Galley light strip', { kind: 'keyOut', answer: 'works' });
  wish('Locker light', { kind: 'powerBack', answer: 'asBefore' });
  const follows = stands('Reversing lamps switch', 'up');
  wish('Reversing lamp', { kind: 'on', when: [follows, vehicle('key', 'on'), vehicle('reverse', 'in')] });
  wish('Reversing lamp', { kind: 'on', when: [stands('Reversing lamps switch', 'down')] });
  return edit.design;
}
