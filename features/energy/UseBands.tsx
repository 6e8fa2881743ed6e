'use client';

import { memo, useMemo } from 'react';
import { Edit } from '@/core/design/edit';
import { newId } from '@/core/design/ids';
import type { Duty, Load, Scenario, Use } from '@/core/design/schema';
import { formatUse, parseUse } from '@/core/formats/useText';
import { formatWattHours } from '@/core/units/quantity';
import { unreadWords } from '@/core/wording/unreadWords';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { TextField } from '@/ui/TextField';
import { Band } from './Band';
import styles from './Energy.module.css';

/** Every load's day as a band of half hours: painted with the hand, or written. */
export function UseBands({ scenario }: { scenario: Scenario }) {
  const index = useDesign(({ analysis }) => analysis.index);
  const uses = useDesign(({ analysis }) => analysis.scenario?.loads);
  const duties = useMemo(
    () => new Map(index.duties.filter(({ scenarioId }) => scenarioId === scenario.id).map((duty) => [duty.loadId, duty])),
    [index, scenario],
  );
  return (
    <section className={styles.card} aria-label="When each load runs">
      <h3>When each load runs</h3>
      <p className={styles.small}>
        Paint hours with the hand; begin on painted ones to wipe them. Or write them: 7–8:30, 17–21; dusk–22:30; dark; driving; occupied; 20
        x 60 s; left on.
      </p>
      <div className={styles.bands}>
        <span />
        <span />
        <Hours />
        <span />
        {index.loads.map((load) => (
          <UseBand
            key={load.id}
            load={load}
            duty={duties.get(load.id) ?? null}
            scenario={scenario}
            wattHours={uses?.get(load.id)?.wattHours ?? 0}
          />
        ))}
      </div>
    </section>
  );
}

interface UseBandProps {
  load: Load;
  duty: Duty | null;
  scenario: Scenario;
  wattHours: number;
}

const UseBand = memo(function UseBand({ load, duty, scenario, wattHours }: UseBandProps) {
  const store = useDesignStore();
  const set = (use: Use | null) =>
    store.commit(`Change when ${load.name} runs`, (design) => {
      const edit = new Edit(design);
      if (duty) edit.set(duty, { use });
      else
        edit.add<Duty>({
          id: newId('duty'),
          type: 'duty',
          scenarioId: scenario.id,
          loadId: load.id,
          hoursPerDay: 0,
          sharePercent: 100,
          use,
        });
      return edit.change;
    });
  return (
    <>
      <span className={styles.bandName}>{load.name}</span>
      <TextField
        label={`When ${load.name} runs`}
        text={formatUse(duty?.use)}
        placeholder={duty && duty.hoursPerDay > 0 ? `${Number(duty.hoursPerDay.toFixed(2))} h, any time` : 'not used'}
        onCommit={(text) => {
          const read = parseUse(text);
          return read.ok ? set(read.value) : unreadWords(read.why);
        }}
      />
      <Band load={load} duty={duty} scenario={scenario} onSet={set} />
      <span className={`reading ${styles.bandWh}`}>{formatWattHours(wattHours)}</span>
    </>
  );
});

function Hours() {
  return (
    <span className={styles.bandHours} aria-hidden>
      {[0, 6, 12, 18, 24].map((hour) => (
        <span key={hour}>{hour}</span>
      ))}
    </span>
  );
}
