import type { Bench } from '../core/bench/bench';
import { deviceHandles, type DeviceHandle } from '../core/bench/handles';
import { VEHICLE_CONTROLS, type VehicleControl } from '../core/catalog/vocabulary';
import type { Mover } from '../core/design/schema';
import type { ControlValue } from '../core/devices/kind';
import type { DesignIndex } from '../core/rig/designIndex';
import { handleName, positionWord, VEHICLE_WORDS } from '../core/wording/benchWords';
import { BadInput } from './input';

/** Something that can be set by its name. */
export interface Named {
  name: string;
  mover: Mover;
  positions: readonly { value: ControlValue; word: string }[];
  set(bench: Bench, position: ControlValue): void;
}

/** Everything of a design, and of the vehicle, that is moved by a hand. */
export function everythingNamed(index: DesignIndex): Named[] {
  const vehicle = Object.keys(VEHICLE_CONTROLS) as VehicleControl[];
  return [...vehicle.map(vehicleNamed), ...deviceHandles(index).map((handle) => deviceNamed(index, handle))];
}

function vehicleNamed(control: VehicleControl): Named {
  return {
    name: VEHICLE_WORDS[control],
    mover: { kind: 'vehicle', control },
    positions: VEHICLE_CONTROLS[control].map((value) => ({ value, word: value })),
    set: (bench, position) => bench.drive(control, position),
  };
}

function deviceNamed({ devices }: DesignIndex, { deviceId, control, positions }: DeviceHandle): Named {
  const device = devices.get(deviceId)!;
  return {
    name: handleName(device, control),
    mover: { kind: 'device', deviceId, control },
    positions: positions.map((value) => ({ value, word: positionWord(device, value) })),
    set: (bench, position) => bench.set(deviceId, control, position),
  };
}

/** `NAME=VALUE`, or `NAME=a>b` for one after the other. @throws BadInput with what there is to choose from */
export function readAct(text: string, named: readonly Named[]): { what: Named; positions: ControlValue[] } {
  const cut = text.lastIndexOf('=');
  if (cut < 1) throw new BadInput(`--set: "${text}" is not NAME=VALUE`);
  const what = theOne(named, text.slice(0, cut), '--set');
  const words = text.slice(cut + 1).split('>');
  const positions = words.map((word) => {
    const said = word.trim().toLowerCase();
    const position = what.positions.find((one) => one.word.toLowerCase() === said || String(one.value).toLowerCase() === said);
    if (!position) throw new BadInput(`--set: ${what.name} has no "${word}"; it has ${listed(what.positions.map((one) => one.word))}`);
    return position.value;
  });
  return { what, positions };
}

/** The one of this name, or the only one whose name has it in it. @throws BadInput where there is none, or several */
export function theOne<T extends { name: string }>(all: readonly T[], said: string, where: string): T {
  const name = said.trim().toLowerCase();
  const exact = all.filter((one) => one.name.toLowerCase() === name);
  const found = exact.length > 0 ? exact : all.filter((one) => one.name.toLowerCase().includes(name));
  const [what, ...others] = found;
  if (!what) throw new BadInput(`${where}: nothing is called "${said}"; there are ${listed(all.map((one) => one.name))}`);
  if (others.length > 0) throw new BadInput(`${where}: "${said}" may be ${listed(found.map((one) => one.name))}; say which`);
  return what;
}

const listed = (words: readonly string[]) => words.map((word) => `"${word}"`).join(', ');
