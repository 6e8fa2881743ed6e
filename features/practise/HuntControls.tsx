import { deviceHandles, vehicleHandles, type DeviceHandle } from '@/core/bench/handles';
import { VEHICLE_CONTROLS } from '@/core/catalog/vocabulary';
import type { Mover } from '@/core/design/schema';
import type { ControlValue } from '@/core/devices/kind';
import type { HuntBench } from '@/core/practise/huntBench';
import { handleName, positionWord, VEHICLE_WORDS } from '@/core/wording/benchWords';
import { NamedPush, Positions } from '@/features/switching/Positions';
import styles from './Practise.module.css';

interface HuntControlsProps {
  bench: HuntBench;
  /** Devices that have a say in what is complained about; others stand aside. */
  near: ReadonlySet<string>;
  onFlick(mover: Mover, position: ControlValue): void;
}

/**
 * What hands move on a board: its switches and dimmers, its doors, the vehicle's own controls. What has no say in the complaint is folded
 * away.
 */
export function HuntControls({ bench, near, onFlick }: HuntControlsProps) {
  const { plan } = bench;
  const handles = deviceHandles(plan).filter(({ where }) => where !== 'load' && where !== 'fuse');
  const vehicle = vehicleHandles(plan);
  const far = handles.filter(({ deviceId }) => !near.has(deviceId));
  if (handles.length + vehicle.length === 0) return null;
  return (
    <section aria-label="Controls" className={styles.controls}>
      {handles
        .filter((handle) => !far.includes(handle))
        .map((handle) => (
          <Control key={`${handle.deviceId} ${handle.control}`} {...{ bench, handle, onFlick }} />
        ))}
      {vehicle.map((control) => (
        <Positions
          key={control}
          name={VEHICLE_WORDS[control]}
          at={bench.side[control]}
          positions={VEHICLE_CONTROLS[control].map((value) => ({ value, word: value }))}
          onMove={(position) => onFlick({ kind: 'vehicle', control }, position)}
        />
      ))}
      {far.length > 0 && (
        <details>
          <summary>{far.length} more that have no say in it by the plan</summary>
          {far.map((handle) => (
            <Control key={`${handle.deviceId} ${handle.control}`} {...{ bench, handle, onFlick }} />
          ))}
        </details>
      )}
    </section>
  );
}

function Control({ bench, handle, onFlick }: Pick<HuntControlsProps, 'bench' | 'onFlick'> & { handle: DeviceHandle }) {
  const { deviceId, control, positions, springs } = handle;
  const device = bench.plan.devices.get(deviceId)!;
  const name = handleName(device, control);
  const at = bench.position(deviceId, control);
  const flick = (position: ControlValue) => onFlick({ kind: 'device', deviceId, control }, position);
  if (springs) return <NamedPush name={name} pressed={at === positions[1]} onPress={(down) => flick(positions[down ? 1 : 0]!)} />;
  const words = positions.map((value) => ({ value, word: positionWord(device, value) }));
  return <Positions name={name} at={at} positions={words} onMove={flick} />;
}
