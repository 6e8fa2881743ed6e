'use client';

import { Segmented, Select } from 'antd';
import { useState } from 'react';
import { COPY_PARTS, type CopyPart } from '@/core/switching/copyParts';
import { NameInput } from '@/ui/NameInput';
import { nameProblem } from '@/ui/nameProblem';
import { BeginForm } from './BeginForm';
import { Question } from './Question';

const PART_WORDS: Record<CopyPart, string> = {
  all: 'all of it',
  system: 'all but its vehicle',
  supply: 'its supply',
  loads: 'its loads',
};
const PART_WHYS: Record<CopyPart, string> = {
  all: 'Loads, supply, circuits, and where each lies. For a template or a second one of the same kind.',
  system: 'Loads, supply and circuits, for another vehicle: nothing has a place in it yet, and every length is an estimate again.',
  supply: 'Battery, main cables, blocks, zones and practice. No loads and no circuits.',
  loads: 'Loads with their hours, supply and zones. No circuits yet.',
};

/** A design begun from another one, whole or in part. */
export function CopyOf({ designs }: { designs: { id: string; name: string }[] }) {
  const [copyOf, setCopyOf] = useState(designs[0]!.id);
  const [part, setPart] = useState<CopyPart>('all');
  const [name, setName] = useState('');
  const usual = `${designs.find(({ id }) => id === copyOf)!.name} (copy)`;
  return (
    <BeginForm body={{ copyOf, part, name: name.trim() || usual }} stage="loads" why={nameProblem(name)}>
      <Question title="Which one?">
        <Select
          aria-label="Design to begin from"
          value={copyOf}
          showSearch={{ optionFilterProp: 'label' }}
          style={{ width: 320 }}
          onChange={setCopyOf}
          options={designs.map(({ id, name: label }) => ({ value: id, label }))}
        />
      </Question>
      <Question title="What of it?" why={PART_WHYS[part]}>
        <Segmented<CopyPart>
          aria-label="What of it"
          value={part}
          onChange={setPart}
          options={COPY_PARTS.map((value) => ({ value, label: PART_WORDS[value] }))}
        />
      </Question>
      <Question title="What is it called?">
        <NameInput label="Name" size="middle" placeholder={usual} value={name} onChange={setName} />
      </Question>
    </BeginForm>
  );
}

const EXAMPLES = [
  {
    value: 'pip',
    label: 'Pip, a small trailer',
    why: 'Six circuits: lights, a pump, a fan and USB in a small trailer. Everything in order.',
  },
  { value: 'heron', label: 'Heron, a box body', why: 'Twenty circuits in a laid-out vehicle, with findings to look into.' },
] as const;

/** A made-up design to look into and to change at will. */
export function Example() {
  const [example, setExample] = useState<(typeof EXAMPLES)[number]['value']>('pip');
  const { label, why } = EXAMPLES.find(({ value }) => value === example)!;
  return (
    <BeginForm body={{ example, name: `${label.split(',')[0]} (example)` }} stage="circuits">
      <Question title="Which one?" why={why}>
        <Segmented
          aria-label="Example"
          value={example}
          onChange={setExample}
          options={EXAMPLES.map(({ value, label: words }) => ({ value, label: words }))}
        />
      </Question>
    </BeginForm>
  );
}
