'use client';

import { Button } from 'antd';
import Link from 'next/link';
import { useMemo, useRef, useState } from 'react';
import { LIMITS } from '@/core/catalog/vocabulary';
import { measureRoute } from '@/core/rig/edits';
import type { LaidRoute } from '@/core/rig/layout';
import { measuringOrder } from '@/core/rig/measuringRun';
import { disagrees } from '@/core/rig/routeLength';
import { parseLength } from '@/core/units/parse';
import { formatFeetInches, formatLength } from '@/core/units/quantity';
import { useDesign, useDesignStore, useUnits } from '@/features/design/DesignProvider';
import { Notices } from '@/features/workspace/Notices';
import { today } from '@/core/units/days';
import { unreadWords } from '@/core/wording/unreadWords';
import { WindowTitle } from '@/ui/WindowTitle';
import styles from './MeasuringRun.module.css';

/** The stretches one after another, to measure in the vehicle with a tape in one hand and a phone in the other. */
export function MeasuringRun() {
  const index = useDesign(({ analysis }) => analysis.index);
  const designId = useDesign(({ id }) => id);
  const saveState = useDesign((state) => state.saveState);
  // The order is taken once: a stretch must not move away while it is being measured.
  const [ids] = useState(() => measuringOrder(index).map(({ route }) => route.id));
  const routes = ids.flatMap((id) => index.layout.routes.get(id) ?? []);
  const [at, setAt] = useState(() =>
    Math.max(
      0,
      routes.findIndex(({ length }) => !length.measured),
    ),
  );
  const done = routes.filter(({ length }) => length.measured).length;
  const current = routes[Math.min(at, routes.length - 1)];
  return (
    <main className={styles.run}>
      <WindowTitle says={['Measuring run', index.settings.name]} />
      <header className={styles.head}>
        <Link href={`/d/${designId}/rig`}>Back to the rig</Link>
        <h1>Measuring run</h1>
        <p role="status" className={saveState !== 'saved' && saveState !== 'saving' ? styles.waiting : undefined}>
          {done} of {routes.length} measured
          {saveState === 'unreachable' && ', no connection: kept here and sent when it is back'}
          {saveState === 'saving' && ', saving'}
          {(saveState === 'busy' || saveState === 'failed') && ', the server cannot take it now: kept here and sent again'}
          {saveState === 'locked' && ', the server asks for the password: kept here, give it in another window'}
          {saveState === 'behind' && ', the server’s copy is older: kept here, reload to go on'}
        </p>
        <progress value={done} max={Math.max(1, routes.length)} aria-label="Stretches measured" />
      </header>
      {current ? (
        <Stretch
          key={current.route.id}
          laid={current}
          place={at + 1}
          count={routes.length}
          onNext={() => setAt((now) => Math.min(routes.length - 1, now + 1))}
          onBack={() => setAt((now) => Math.max(0, now - 1))}
        />
      ) : (
        <p>There is no stretch to measure yet. Join places on the rig’s plan first.</p>
      )}
      <ol className={styles.list}>
        {routes.map(({ route, length }, place) => (
          <li key={route.id}>
            <button type="button" aria-current={place === at ? 'step' : undefined} onClick={() => setAt(place)}>
              <span>{route.name}</span>
              <span className={`reading ${length.measured ? 'measured' : styles.planned}`}>
                <Length mm={length.mm} />
              </span>
            </button>
          </li>
        ))}
      </ol>
      <Notices />
    </main>
  );
}

function Length({ mm }: { mm: number }) {
  const units = useUnits();
  return units === 'metric' ? `${Math.round(mm)} mm` : formatFeetInches(mm);
}

interface StretchProps {
  laid: LaidRoute;
  place: number;
  count: number;
  onNext(): void;
  onBack(): void;
}

/** One stretch: from where to where, a big field, and what the plan expects. */
function Stretch({ laid: { route, length }, place, count, onNext, onBack }: StretchProps) {
  const store = useDesignStore();
  const units = useUnits();
  const places = useDesign(({ analysis }) => analysis.index.layout.places);
  const [text, setText] = useState('');
  const field = useRef<HTMLInputElement>(null);
  const parsed = useMemo(() => (text.trim() === '' ? null : parseLength(text, units, units === 'metric' ? 'mm' : 'in')), [text, units]);
  const tooLong = parsed?.ok && parsed.value > LIMITS.lengthMm;
  const tooShort = parsed?.ok && parsed.value < LIMITS.stretchMm;
  const impossible = tooLong || tooShort;
  const strange = parsed?.ok && !impossible && length.plannedMm !== null && disagrees(parsed.value, length.plannedMm);
  const take = () => {
    if (!parsed?.ok || impossible) {
      field.current?.focus();
      return;
    }
    store.commit(`Measure ${route.name}`, (design) => measureRoute(design, route.id, Math.round(parsed.value), today()));
    setText('');
    onNext();
  };
  return (
    <section className={styles.stretch} aria-label={`Stretch ${place} of ${count}`}>
      <p className={styles.place}>
        {place} of {count}
      </p>
      <h2>{route.name}</h2>
      <p>
        from <b>{places.get(route.fromId)?.name}</b> to <b>{places.get(route.toId)?.name}</b>
      </p>
      <p className={styles.expected}>
        The plan expects {formatLength(length.plannedMm, units)}
        {length.measured && (
          <>
            ; measured <Length mm={length.mm} />
          </>
        )}
        .
      </p>
      <label className={styles.field}>
        <span>Measured {units === 'metric' ? '(mm; or 3.4 m)' : '(in; or 11\u2032 2\u2033)'}</span>
        <input
          ref={field}
          className="reading"
          inputMode={units === 'metric' ? 'decimal' : 'text'}
          enterKeyHint="next"
          autoComplete="off"
          value={text}
          aria-invalid={parsed !== null && !parsed.ok}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => event.key === 'Enter' && take()}
        />
      </label>
      <p className={styles.verdict} role="status">
        {parsed && !parsed.ok && <span className={styles.wrong}>{unreadWords(parsed.why)}</span>}
        {tooShort && <span className={styles.wrong}>a stretch has a length: more than nothing</span>}
        {tooLong && <span className={styles.wrong}>longer than any vehicle: check the unit</span>}
        {strange && parsed.ok && (
          <span className={styles.check}>
            Measured <Length mm={parsed.value} />, plan says <Length mm={length.plannedMm!} />: check.
          </span>
        )}
        {parsed?.ok && !impossible && !strange && (
          <span>
            <Length mm={parsed.value} />, as the plan expects.
          </span>
        )}
      </p>
      <div className={styles.buttons}>
        <Button size="large" onClick={onBack} disabled={place === 1}>
          Back
        </Button>
        <Button size="large" onClick={onNext} disabled={place === count}>
          Skip
        </Button>
        <Button size="large" type="primary" onClick={take} disabled={!parsed?.ok || impossible}>
          {strange ? 'Take it anyway' : 'Take it'}
        </Button>
      </div>
    </section>
  );
}
