import { deviceHandles, vehicleHandles } from '@/core/bench/handles';
import { VEHICLE_CONTROLS } from '@/core/catalog/vocabulary';
import type { Mover } from '@/core/design/schema';
import type { ControlValue } from '@/core/devices/kind';
import type { HuntBench } from '@/core/practise/huntBench';
import { handleName, positionWord, VEHICLE_WORDS } from '@/core/wording/benchWords';
import { NamedPush, Positions } from '@/features/switching/Positions';
import styles from './Practise.module.css';

interface HuntControlsProps {
  bench: HuntBench;
  onFlick(mover: Mover, position: ControlValue): void;
}

/** What hands move on a board: its switches and dimmers, its doors, the vehicle's own controls. */
export function HuntControls({ bench, onFlick }: HuntControlsProps) {
  const { plan } = bench;
  const handles = deviceHandles(plan).filter(({ where }) => where !== 'load' && where !== 'fuse');
  const vehicle = vehicleHandles(plan);
  if (handles.length + vehicle.length === 0) return null;
  return (
    <section aria-label="Controls" className={styles.controls}>
      {handles.map(({ deviceId, control, positions, springs }) => {
        const device = plan.devices.get(deviceId)!;
        const name = handleName(device, control);
        const at = bench.position(deviceId, control);
        const flick = (position: ControlValue) => onFlick({ kind: 'device', deviceId, control }, position);
        if (springs) return <NamedPush key={`${deviceId} ${control}`} name={name} pressed={at === positions[1]} onPress={(down) => flick(positions[down ? 1 : 0]!)} />; // prettier-ignore
        return <Positions key={`${deviceId} ${control}`} name={name} at={at} positions={positions.map((value) => ({ value, word: positionWord(device, control, value) }))} onMove={flick} />; // prettier-ignore
      })}
      {vehicle.map((control) => (
        <Positions
          key={control}
          name={VEHICLE_WORDS[control]}
          at={bench.sidePosition(control)}
          positions={VEHICLE_CONTROLS[control].map((value) => ({ value, word: value }))}
          onMove={(position) => onFlick({ kind: 'vehicle', control }, position)}
        />
      ))}
    </section>
  );
}
