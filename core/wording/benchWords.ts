import type { Answer, LoadAnswer } from '../bench/bench';
import type { LoadChange } from '../bench/changedLoads';
import type { VehicleControl } from '../catalog/vocabulary';
import { nameOf } from '../design/names';
import { isSameMover, type Input } from '../bench/inputs';
import type { Does, GroupRow, GroupTruth, Truth } from '../bench/truth';
import { recordOf, type Design } from '../design/design';
import type { Device, Mover } from '../design/schema';
import { kindOf } from '../devices';
import type { ControlValue } from '../devices/kind';
import { SIGNAL_WORDS } from '../devices/signalSource';
import { formatAmps } from '../units/quantity';

/** What the vehicle's controls are called. */
export const VEHICLE_WORDS: Record<VehicleControl, string> = {
  key: 'Key',
  lamps: 'Lamps',
  indicator: 'Indicator',
  reverse: 'Reverse',
  brake: 'Brake',
  door: 'Door',
  hood: 'Hood',
  daylight: 'Daylight',
};

/** What a position of a control is called, as a person moves it. */
export function positionWord(device: Device, position: ControlValue): string {
  return kindOf(device).positionWord?.(position) ?? String(position);
}

/** What a control is called: its device, and which of several. */
export function handleName(device: Device, control: string): string {
  const [, channel] = /^ch(\d+)$/.exec(control) ?? [];
  if (device.kind === 'signalSource' && control in SIGNAL_WORDS)
    return `${device.name}, ${SIGNAL_WORDS[control as keyof typeof SIGNAL_WORDS]}`;
  return channel ? `${device.name}, channel ${channel}` : device.name;
}

/** What is moved, in words: "Water pump switch: on". What ends as it is left, a button that was not pressed at all, is no move. */
export function movesWords(design: Design, moved: readonly { mover: Mover; position: ControlValue }[]): string {
  const words = moved.flatMap(({ mover, position }, at) => {
    if (mover.kind === 'vehicle') return [`${VEHICLE_WORDS[mover.control]}: ${String(position)}`];
    const device = recordOf(design, mover.deviceId, 'device');
    if (!device) return [mover.deviceId];
    const next = moved[at + 1];
    const isLetGo = next !== undefined && isSameMover(next.mover, mover);
    if (!isLetGo && kindOf(device).controls?.(device)[mover.control]?.[0] === position) return [];
    const letGo = isLetGo ? ` and ${positionWord(device, next.position)}` : '';
    return [`${handleName(device, mover.control)}: ${positionWord(device, position)}${letGo}`];
  });
  return words.length === 0 ? 'everything as it is left' : words.join(', ');
}

/** An input of a truth table: what it is called and its positions in words. */
export function inputWords(design: Design, input: Input): { name: string; positions: string[] } {
  if (input.kind === 'vehicle') return { name: VEHICLE_WORDS[input.control], positions: input.positions.map(String) };
  const device = recordOf(design, input.deviceId, 'device');
  if (!device) return { name: input.deviceId, positions: input.positions.map(String) };
  return {
    name: handleName(device, input.control),
    positions: input.positions.map((position) => positionWord(device, position)),
  };
}

/** A truth table in words, its head first, then each way; where what is so is not what is wished, first. */
export function truthRows(design: Design, { inputs, rows, doesNotMatter }: Truth, does = 'Lit'): string[][] {
  const group = rows.map(({ positions, ...one }) => ({ positions, does: [one] }));
  return groupTruthRows(design, { inputs, rows: group, doesNotMatter }, [{ does, wished: 'Wished' }]);
}

/** The same of several loads: for each the head of what it does, and of what is wished where anything is. */
export function groupTruthRows(
  design: Design,
  { inputs, rows }: GroupTruth,
  heads: readonly { does: string; wished: string }[],
): string[][] {
  const words = inputs.map((input) => inputWords(design, input));
  const isWished = heads.map((_, of) => rows.some((row) => row.does[of]!.wished !== null));
  const lines = disagreeingFirst(rows).map(({ positions, does }) => [
    ...positions.map((position, at) => words[at]!.positions[inputs[at]!.positions.indexOf(position)]!),
    ...does.flatMap(({ on, wished }, of) => [
      on === null ? 'never at rest' : YES[`${on}`],
      ...(isWished[of] ? [wished === null ? '' : wished === 'undecided' ? wished : YES[`${wished}`]] : []),
    ]),
  ]);
  return [
    [...words.map(({ name }) => name), ...heads.flatMap(({ does, wished }, of) => (isWished[of] ? [does, wished] : [does]))],
    ...lines,
  ];
}

/** Heads of such a table: of one load what it does, of several their names. */
export function truthHeads(design: Design, loadIds: readonly string[], does = 'Lit'): { does: string; wished: string }[] {
  if (loadIds.length === 1) return [{ does, wished: 'Wished' }];
  return loadIds.map((id) => ({ does: nameOf(design, id), wished: `${nameOf(design, id)}, wished` }));
}

/** Rows in which any of the loads disagrees first. */
export function disagreeingFirst(rows: readonly GroupRow[]): GroupRow[] {
  const isWrong = ({ does }: GroupRow) => does.some(disagrees);
  return [...rows.filter(isWrong), ...rows.filter((row) => !isWrong(row))];
}

const YES = { true: 'yes', false: 'no' };

/** Whether a load does something else there than is wished, or nobody knows what is. */
export function disagrees({ on, wished }: Does): boolean {
  return wished !== null && wished !== on;
}

/** What a load does. */
export function answerWord({ state, level, blinks }: Pick<LoadAnswer, 'state' | 'level' | 'blinks'>): string {
  if (state !== 'on') return state;
  if (blinks) return blinks === 'blink' ? 'blinks' : 'blinks, other half';
  return level < 0.9 ? `on at ${Math.round(level * 100)} %` : 'on';
}

/** What an act changed, in a sentence for each load: "Left scene lamp, amber: on, 1.9 A, through Scene relay". */
export function changeWords(design: Design, changes: readonly LoadChange[]): string[] {
  return changes.map(({ id, to }) => {
    const through = to.by.filter((deviceId) => isWorked(design, deviceId)).at(-1);
    const figures = to.state === 'off' ? '' : `, ${formatAmps(to.amps)}${through ? `, through ${nameOf(design, through)}` : ''}`;
    return `${nameOf(design, id)}: ${answerWord(to)}${figures}`;
  });
}

/** Relays, channels and the like: what a current comes through that something else works. */
function isWorked(design: Design, deviceId: string): boolean {
  const device = design.records.get(deviceId);
  return device?.type === 'device' && (kindOf(device).isContact === true || device.kind === 'dimmer');
}

/** What parts that remember something do at the moment. */
export function deviceStates(design: Design, { memory, oscillating }: Answer): { id: string; name: string; state: string }[] {
  return Array.from(design.records.values()).flatMap((record) => {
    if (record.type !== 'device') return [];
    const state = oscillating.includes(record.id) ? 'buzzing' : (kindOf(record).stateWord?.(memory[record.id] ?? {}) ?? null);
    return state === null ? [] : [{ id: record.id, name: record.name, state }];
  });
}
