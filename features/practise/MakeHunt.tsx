import { Button, Input, InputNumber, Select } from 'antd';
import { useMemo, useState } from 'react';
import type { Design } from '@/core/design/design';
import { harnessOfDesign, wireNumbersOf } from '@/core/harness/schedule';
import type { Hunt, NamedKind } from '@/core/practise/hunt';
import { NAMED_WORDS } from '@/core/practise/huntWords';
import { kindsFor, madeHunt } from '@/core/practise/makeHunt';
import { indexDesign } from '@/core/rig/designIndex';
import { wireWords } from '@/core/wording/flawWords';
import { Dialog } from '@/ui/Dialog';
import { Field, Fields } from '@/ui/Fields';

interface MakeHuntProps {
  design: Design;
  onMade(hunt: Hunt): void;
  onClose(): void;
}

/** A hunt of one's own: what is wrong, what its owner says, to be played or given to somebody as a file. */
export function MakeHunt({ design, onMade, onClose }: MakeHuntProps) {
  const index = useMemo(() => indexDesign(design), [design]);
  const numbers = useMemo(() => wireNumbersOf(harnessOfDesign(design)), [design]);
  const [loadId, setLoadId] = useState<string | null>(null);
  const [subjectId, setSubjectId] = useState<string | null>(null);
  const [kind, setKind] = useState<NamedKind | null>(null);
  const [ohm, setOhm] = useState<number | null>(null);
  const [says, setSays] = useState('');
  const subjects = [
    ...Array.from(index.devices.values(), ({ id, name }) => ({ value: id, label: name })),
    ...index.wires.map(({ id }) => ({ value: id, label: `Wire ${wireWords(design, id, numbers)}` })),
  ].filter(({ value }) => kindsFor(design, value).length > 0);
  const kinds = subjectId ? kindsFor(design, subjectId) : [];
  const isWhole = loadId !== null && subjectId !== null && kind !== null && says.trim() !== '';
  const made = useMemo(
    () => (loadId && subjectId && kind ? madeHunt(design, { named: { kind, subjectId }, ohm: kind === 'joint' ? ohm : null, loadId, says: 'x', story: '' }) : undefined),
    [design, loadId, subjectId, kind, ohm],
  ); // prettier-ignore
  const take = () => {
    if (!made || !isWhole) return;
    const { hunt } = made;
    onMade({ ...hunt, complaints: hunt.complaints.map((one) => ({ ...one, says: says.trim() })) });
  };
  return (
    <Dialog open title="A hunt of your own" okText="Make it" okButtonProps={{ disabled: !isWhole || !made }} onOk={take} onCancel={onClose}>
      <Fields>
        <Field label="the complaint is about">
          <Select
            showSearch
            optionFilterProp="label"
            aria-label="The complaint is about"
            value={loadId}
            style={{ width: 280 }}
            options={index.loads.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={setLoadId}
          />
        </Field>
        <Field label="what is wrong">
          <Select
            showSearch
            optionFilterProp="label"
            aria-label="Part or wire that is wrong"
            value={subjectId}
            style={{ width: 280 }}
            options={subjects}
            onChange={(id: string) => {
              setSubjectId(id);
              setKind(kindsFor(design, id)[0] ?? null);
            }}
          />
        </Field>
        <Field label="with it">
          <Select<NamedKind | null>
            aria-label="Its fault"
            value={kind}
            style={{ width: 280 }}
            options={kinds.map((value) => ({ value, label: NAMED_WORDS[value] }))}
            onChange={setKind}
          />
        </Field>
        {kind === 'joint' && (
          <Field label="its joint, Ω">
            <InputNumber
              aria-label="Ohms of the joint; empty: broken"
              placeholder="broken"
              min={0.01}
              max={1000}
              value={ohm}
              onChange={setOhm}
              suffix="Ω"
            />
          </Field>
        )}
        <Field label="in its owner’s words">
          <Input.TextArea
            aria-label="In its owner’s words"
            maxLength={600}
            autoSize={{ minRows: 2 }}
            value={says}
            onChange={({ target }) => setSays(target.value)}
          />
        </Field>
      </Fields>
      <p role="status">
        {made === null && 'That load cannot be lit as it is wired, or the network then has no answer: take another.'}
        {made && !made.shows && 'With that, the load still does what it should: the complaint has to say how it is noticed.'}
      </p>
    </Dialog>
  );
}

/** The button that opens it. */
export function MakeHuntButton({ design, onMade }: Pick<MakeHuntProps, 'design' | 'onMade'>) {
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <Button size="small" onClick={() => setOpen(true)}>
        Make one
      </Button>
      {isOpen && (
        <MakeHunt
          design={design}
          onClose={() => setOpen(false)}
          onMade={(hunt) => {
            setOpen(false);
            onMade(hunt);
          }}
        />
      )}
    </>
  );
}
