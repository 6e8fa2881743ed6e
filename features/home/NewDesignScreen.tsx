'use client';

import { Input, Segmented, Select, type InputRef } from 'antd';
import Link from 'next/link';
import { useRef, useState, type ComponentRef } from 'react';
import { CHEMISTRY_FACTS } from '@/core/catalog/chemistries';
import { USUAL_ZONES, type NewDesign } from '@/core/switching/newDesign';
import { CHEMISTRIES, CONDUCTOR_STANDARDS, LIMITS, VEHICLES, type Vehicle } from '@/core/catalog/vocabulary';
import { PRACTICE_WORDS } from '@/features/supply/practice';
import { QuantityField } from '@/ui/QuantityField';
import { NameInput } from '@/ui/NameInput';
import { nameProblem } from '@/ui/nameProblem';
import { useTypedEarly } from '@/ui/useTypedEarly';
import { keepList } from '@/features/loads/keptList';
import { BeginForm } from './BeginForm';
import { CopyOf, Example } from './BeginFrom';
import { Question } from './Question';
import { VEHICLE_WORDS } from './words';
import styles from './NewDesign.module.css';

/** What a design can begin from: a few questions, another design, or an example to look into. */
const BEGINNINGS = ['questions', 'copy', 'example'] as const;
type Beginning = (typeof BEGINNINGS)[number];
const BEGINNING_WORDS: Record<Beginning, string> = { questions: 'A few questions', copy: 'Another design', example: 'An example' };

/** The first-run path: a few questions, then straight to the loads; or a copy of what is there. Every answer can be changed later. */
export function NewDesignScreen({ designs }: { designs: { id: string; name: string }[] }) {
  const [beginning, setBeginning] = useState<Beginning>('questions');
  const open = BEGINNINGS.filter((value) => value !== 'copy' || designs.length > 0);
  return (
    <main className={styles.screen}>
      <Link href="/">All designs</Link>
      <h1>A new design</h1>
      <Question title="Begin with">
        <Segmented<Beginning>
          aria-label="Begin with"
          value={beginning}
          onChange={setBeginning}
          options={open.map((value) => ({ value, label: BEGINNING_WORDS[value] }))}
        />
      </Question>
      {beginning === 'questions' && <Questions />}
      {beginning === 'copy' && <CopyOf designs={designs} />}
      {beginning === 'example' && <Example />}
    </main>
  );
}

function Questions() {
  const [list, setList] = useState('');
  const [answers, setAnswers] = useState<NewDesign>({
    name: '',
    vehicle: 'panelVan',
    zones: USUAL_ZONES.panelVan,
    battery: { chemistry: 'lithium', capacityAh: 100, count: 1 },
    units: 'metric',
    standard: 'iso-small-craft',
    defaultReturn: 'dedicated',
  });
  const set = (fields: Partial<NewDesign>) => setAnswers((now) => ({ ...now, ...fields }));
  const nameField = useRef<InputRef>(null);
  const listField = useRef<ComponentRef<typeof Input.TextArea>>(null);
  useTypedEarly(
    () => nameField.current?.input,
    (name) => set({ name }),
  );
  useTypedEarly(() => listField.current?.resizableTextArea?.textArea, setList);

  const named = { ...answers, name: answers.name.trim() || VEHICLE_WORDS[answers.vehicle] };

  return (
    <BeginForm
      body={{ answers: named }}
      stage="loads"
      label="Start with the loads"
      why={whyNotYet(answers)}
      onMade={(id) => list.trim() !== '' && keepList(id, list)}
    >
      <Question title="What is it called?">
        <NameInput
          ref={nameField}
          autoFocus
          label="Name"
          size="middle"
          placeholder={VEHICLE_WORDS[answers.vehicle]}
          value={answers.name}
          onChange={(name) => set({ name })}
        />
      </Question>
      <Question title="What kind of vehicle?">
        <Segmented<Vehicle>
          aria-label="Kind of vehicle"
          value={answers.vehicle}
          onChange={(vehicle) => set({ vehicle, zones: USUAL_ZONES[vehicle] })}
          options={VEHICLES.map((value) => ({ value, label: VEHICLE_WORDS[value] }))}
        />
      </Question>
      <Question title="Which zones?" why="Where things are and what heat they stand in. Type to add one.">
        <Select
          mode="tags"
          aria-label="Zones"
          value={[...answers.zones]}
          maxCount={40}
          style={{ width: '100%' }}
          onChange={(zones: string[]) => set({ zones: zones.map((zone) => zone.trim()).filter(Boolean) })}
          options={USUAL_ZONES[answers.vehicle].map((value) => ({ value, label: value }))}
        />
      </Question>
      <Question title="Which battery?" why={`${CHEMISTRY_FACTS[answers.battery.chemistry].usableDepthPercent} % of it is usually used.`}>
        <span className={styles.inline}>
          <Select
            aria-label="Battery chemistry"
            value={answers.battery.chemistry}
            style={{ width: 210 }}
            onChange={(chemistry) => set({ battery: { ...answers.battery, chemistry } })}
            options={CHEMISTRIES.map((value) => ({ value, label: CHEMISTRY_FACTS[value].label }))}
          />
          <QuantityField
            label="Battery capacity, Ah"
            value={answers.battery.capacityAh}
            decimals={0}
            unit="Ah"
            least={1}
            most={LIMITS.capacityAh}
            onCommit={(capacityAh) => set({ battery: { ...answers.battery, capacityAh } })}
          />
          <Select
            aria-label="Batteries in parallel"
            value={answers.battery.count}
            style={{ width: 150 }}
            onChange={(count) => set({ battery: { ...answers.battery, count } })}
            options={Array.from({ length: 20 }, (_, at) => ({
              value: at + 1,
              label: at === 0 ? 'one of them' : `${at + 1} in parallel`,
            }))}
          />
        </span>
      </Question>
      <Question title="Units?">
        <Segmented<NewDesign['units']>
          aria-label="Units"
          value={answers.units}
          onChange={(units) => set({ units, standard: units === 'us' ? 'us-small-craft' : 'iso-small-craft' })}
          options={[
            { value: 'metric', label: 'Metres, °C' },
            { value: 'us', label: 'Feet, °F' },
          ]}
        />
      </Question>
      <Question title="Which school sizes the wires?" why="The four differ in tables and in what they allow; each can be tried later.">
        <Segmented
          aria-label="School"
          value={answers.standard}
          onChange={(standard) => set({ standard })}
          options={CONDUCTOR_STANDARDS.map((value) => ({ value, label: PRACTICE_WORDS.standard[value] }))}
        />
      </Question>
      <Question title="How does current come back?" why="A cable’s joints can be found and measured; chassis joints corrode out of sight.">
        <Segmented<NewDesign['defaultReturn']>
          aria-label="Return"
          value={answers.defaultReturn}
          onChange={(defaultReturn) => set({ defaultReturn })}
          options={[
            { value: 'dedicated', label: 'By cable to a bus bar' },
            { value: 'chassis', label: 'Through the chassis' },
          ]}
        />
      </Question>
      <Question
        title="A list of loads?"
        why="If you have one: a line a load, as “Reading light 3 W”, or pasted from a spreadsheet. You see what is made of it before it is taken."
      >
        <Input.TextArea
          ref={listField}
          aria-label="A list of loads"
          autoSize={{ minRows: 1, maxRows: 6 }}
          value={list}
          onChange={(event) => setList(event.target.value)}
          placeholder="optional"
        />
      </Question>
    </BeginForm>
  );
}

/** Why a design cannot be made of some answers yet; null when it can. */
function whyNotYet({ name, zones }: NewDesign): string | null {
  if (zones.length === 0) return 'At least one zone is needed.';
  const long = [name, ...zones].find((one) => nameProblem(one) !== null);
  if (long !== undefined) return `A name is longer than ${LIMITS.nameLength} characters.`;
  const double = zones.find((zone, at) => zones.slice(0, at).some((other) => other.toLowerCase() === zone.toLowerCase()));
  return double === undefined ? null : `Two zones are called “${double}”: take one out or name it otherwise.`;
}
