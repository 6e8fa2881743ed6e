'use client';

import { Button } from 'antd';
import { Check, ImagePlus } from 'lucide-react';
import { useMemo, useRef } from 'react';
import type { Inspection } from '@/core/catalog/vocabulary';
import { recordsOf } from '@/core/design/design';
import { Edit } from '@/core/design/edit';
import { newId } from '@/core/design/ids';
import { nameOf } from '@/core/design/names';
import type { LogEvent, Photo } from '@/core/design/schema';
import { agedReadings } from '@/core/logbook/ageing';
import { eventsOf, inspectionsDue } from '@/core/logbook/inspections';
import { formatNumber, formatRoad } from '@/core/units/quantity';
import { dueWords, EVENT_WORDS, INSPECTION_WORDS } from '@/core/wording/logWords';
import { useDesign, useUnits } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { FileChoice } from '@/ui/FileChoice';
import { today } from '@/core/units/days';
import shared from '../harness/Harness.module.css';
import { LogForm } from './LogForm';
import { LogPhoto } from './LogPhoto';
import { LogRig } from './LogRig';
import { usePhotos } from './usePhotos';
import { useTakePhoto } from './useTakePhoto';
import styles from './Log.module.css';

/** The vehicle's logbook: what was done, seen and read through its life, with photos, and what is due to be looked at. */
export function LogView() {
  const design = useDesign((state) => state.design);
  const designId = useDesign((state) => state.id);
  const photos = usePhotos();
  const events = useMemo(() => eventsOf(design), [design]);
  const pictures = useMemo(() => recordsOf(design, 'photo'), [design]);
  const list = useRef<HTMLOListElement>(null);
  const lookAt = (eventId: string) => {
    const line = list.current?.querySelector<HTMLElement>(`[data-event="${CSS.escape(eventId)}"]`);
    line?.scrollIntoView({ block: 'center' });
    line?.focus({ preventScroll: true });
  };
  return (
    <div className={shared.view} role="region" aria-label="Logbook" tabIndex={0}>
      <div className={styles.page}>
        <div>
          <LogForm onPhotos={photos.send} />
          {photos.left > 0 && (
            <p role="status" className={styles.waiting}>
              {photos.left === 1 ? 'One photo waits' : `${photos.left} photos wait`} in this browser
              {photos.refused ? `: ${photos.refused}.` : ' until the server can be reached.'}
            </p>
          )}
          <ol ref={list} className={styles.events} aria-label="Lines of the logbook">
            {events.map((event) => (
              <EventLine
                key={event.id}
                event={event}
                photos={pictures.filter(({ eventId }) => eventId === event.id)}
                onPhotos={photos.send}
              />
            ))}
          </ol>
          {events.length === 0 && (
            <p className={shared.soft}>
              Nothing is written down yet. Whoever opens this vehicle in ten years reads here what was done, by whom and when.
            </p>
          )}
        </div>
        <aside className={styles.aside}>
          <LogRig onChoose={lookAt} />
          <Inspections />
          <Aged />
          <section aria-label="Book of the vehicle">
            <h3>Book of the vehicle</h3>
            <p className={shared.soft}>
              For whoever owns it next: how to isolate, fuse map, diagrams, wires, readings, photos and this logbook, as one document; or
              beside it as a folder of files that any program opens.
            </p>
            <div className={styles.book}>
              <Button href={`/api/designs/${designId}/book.pdf`}>Book as PDF</Button>
              <Button href={`/api/designs/${designId}/folder.zip`}>Folder of files</Button>
            </div>
          </section>
        </aside>
      </div>
    </div>
  );
}

/** What is due to be looked at, noted with a press. */
function Inspections() {
  const design = useDesign((state) => state.design);
  const { commit, refusal } = useRefusal();
  const units = useUnits();
  const due = useMemo(() => inspectionsDue(design, today()), [design]);
  const note = (inspection: Inspection) => {
    const { name, how } = INSPECTION_WORDS[inspection];
    commit(`Looked at: ${name}`, (now) => {
      const edit = new Edit(now);
      edit.add({ id: newId('event'), type: 'event', kind: 'inspection', on: today(), text: `${name}: ${how}`, inspected: [inspection] });
      return edit.change;
    });
  };
  return (
    <section aria-label="To be looked at">
      <h3>To be looked at</h3>
      <ul className={styles.due}>
        {due.map((one) => {
          const { name, how } = INSPECTION_WORDS[one.inspection];
          return (
            <li key={one.inspection} data-over={one.isOver}>
              <span>
                <b>{name}</b>
                <small>{how}</small>
                <small>{dueWords(one, units)}</small>
              </span>
              <Button icon={<Check size={16} />} aria-label={`Looked at today: ${name}`} onClick={() => note(one.inspection)}>
                good
              </Button>
            </li>
          );
        })}
      </ul>
      {refusal}
    </section>
  );
}

/** Loads that get fewer volts than when they were first read. */
function Aged() {
  const design = useDesign((state) => state.design);
  const aged = useMemo(() => agedReadings(design), [design]);
  if (aged.length === 0) return null;
  return (
    <section aria-label="What has aged">
      <h3>What has aged</h3>
      <ul className={styles.due}>
        {aged.map(({ first, last, lostV: [then, now] }) => (
          <li key={last.id} data-over>
            <span>
              <b>{nameOf(design, last.id)}</b>
              <small>
                lost {formatNumber(then, 2)} V on the way on {first.on}, {formatNumber(now, 2)} V on {last.on}: a joint or contact goes bad
              </small>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

interface EventLineProps {
  event: LogEvent;
  photos: readonly Photo[];
  onPhotos(): void;
}

function EventLine({ event, photos, onPhotos }: EventLineProps) {
  const { commit, refusal } = useRefusal();
  const units = useUnits();
  const chooser = useRef<HTMLInputElement>(null);
  const { take, problem } = useTakePhoto(onPhotos);
  const { id, kind, on, text, by, odometerKm, engineH, about = [], inspected = [] } = event;
  const facts = [by, odometerKm !== undefined && formatRoad(odometerKm, units), engineH !== undefined && `${formatNumber(engineH, 0)} h`];
  const remove = () =>
    commit('Remove a line of the logbook', (now) => {
      const edit = new Edit(now);
      edit.remove(id);
      return edit.change;
    });
  return (
    <li data-event={event.id} tabIndex={-1}>
      <div className={styles.head}>
        <span className="reading">{on}</span>
        <b>{EVENT_WORDS[kind]}</b>
        <span className={styles.facts}>{facts.filter(Boolean).join(', ')}</span>
      </div>
      {text && <p className={styles.text}>{text}</p>}
      {inspected.length > 0 && <p className={styles.facts}>Looked at: {inspected.map((one) => INSPECTION_WORDS[one].name).join(', ')}</p>}
      {about.length > 0 && <p className={styles.facts}>About {about.map(({ name }) => name).join(', ')}</p>}
      {photos.length > 0 && (
        <div className={styles.photos}>
          {photos.map((photo) => (
            <LogPhoto key={photo.id} photo={photo} />
          ))}
        </div>
      )}
      <div className={styles.acts}>
        <Button size="small" icon={<ImagePlus size={14} />} onClick={() => chooser.current?.click()}>
          Add a photo
        </Button>
        <Button size="small" onClick={remove} aria-label={`Remove the line of ${on}: ${text || EVENT_WORDS[kind]}`}>
          Remove
        </Button>
        <FileChoice
          label={`Photo for the line of ${on}`}
          accept="image/*"
          chooser={chooser}
          onFile={(file) => void take(file, id)}
          problems={problem ? [problem] : []}
        />
      </div>
      {refusal}
    </li>
  );
}
