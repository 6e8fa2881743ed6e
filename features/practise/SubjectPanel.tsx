import { Button, InputNumber, Select } from 'antd';
import { useState } from 'react';
import { nameOf } from '@/core/design/names';
import { namesOffered, type Hunt, type HuntAct, type NamedKind } from '@/core/practise/hunt';
import type { HuntBench } from '@/core/practise/huntBench';
import { endWords, NAMED_WORDS, type Labelled } from '@/core/practise/huntWords';
import { wireWords } from '@/core/wording/flawWords';
import styles from './Practise.module.css';

interface SubjectPanelProps {
  hunt: Hunt;
  board: Labelled;
  bench: HuntBench;
  subjectId: string | null;
  onSubject(id: string | null): void;
  onDo(act: HuntAct): void;
}

/** What hands do to one part or wire: look, feel, clamp, take off, pull, name what is wrong with it. */
export function SubjectPanel({ hunt, board, bench, subjectId, onSubject, onDo }: SubjectPanelProps) {
  const { design } = hunt;
  const record = subjectId === null ? undefined : design.records.get(subjectId);
  const options = [
    ...Array.from(bench.plan.devices.values(), ({ id, name }) => ({ value: id, label: name })),
    ...Array.from(board.numbers, ([id]) => ({ value: id, label: `Wire ${wireWords(design, id, board.numbers)}` })),
  ];
  return (
    <section aria-label="Work on" className={styles.subject}>
      <Select
        showSearch
        allowClear
        size="small"
        optionFilterProp="label"
        aria-label="Part or wire to work on"
        placeholder="part or wire to work on"
        value={record ? subjectId : null}
        options={options}
        onChange={(id: string | null) => onSubject(id ?? null)}
      />
      {record?.type === 'device' && (
        <div className={styles.acts}>
          <Button size="small" onClick={() => onDo({ kind: 'look', deviceId: record.id })}>
            Look
          </Button>
          <Button size="small" onClick={() => onDo({ kind: 'touch', subjectId: record.id })}>
            Feel
          </Button>
          <Button size="small" onClick={() => onDo({ kind: 'smell', subjectId: record.id })}>
            Smell
          </Button>
          {record.kind === 'plug' && <PlugAct bench={bench} plugId={record.id} onDo={onDo} />}
          {record.kind === 'protection' && <FuseActs bench={bench} fuseId={record.id} ratingA={record.ratingA} onDo={onDo} />}
        </div>
      )}
      {record?.type === 'wire' && (
        <div className={styles.acts}>
          <Button size="small" onClick={() => onDo({ kind: 'clamp', wireId: record.id })}>
            Clamp
          </Button>
          <Button size="small" onClick={() => onDo({ kind: 'touch', subjectId: record.id })}>
            Feel its ends
          </Button>
          <Button size="small" onClick={() => onDo({ kind: 'smell', subjectId: record.id })}>
            Smell
          </Button>
          {(['from', 'to'] as const).map((end) => {
            const isOff = bench.state.lifted.some((one) => one.wireId === record.id && one.end === end);
            return (
              <Button key={end} size="small" onClick={() => onDo({ kind: isOff ? 'land' : 'lift', wireId: record.id, end })}>
                {isOff ? 'Land' : 'Take off'} {endWords(board, { wireId: record.id, end })}
              </Button>
            );
          })}
        </div>
      )}
      {record && subjectId && (
        <NameIt
          key={subjectId}
          about={record.type === 'wire' ? `Wire ${board.numbers.get(subjectId)}` : nameOf(design, subjectId)}
          kinds={namesOffered(record)}
          onName={(kind) => onDo({ kind: 'mend', named: { kind, subjectId } })}
        />
      )}
    </section>
  );
}

function PlugAct({ bench, plugId, onDo }: { bench: HuntBench; plugId: string; onDo(act: HuntAct): void }) {
  const isTogether = bench.position(plugId, 'mated') === true;
  const pull = () => onDo({ kind: 'flick', mover: { kind: 'device', deviceId: plugId, control: 'mated' }, position: !isTogether });
  return (
    <Button size="small" onClick={pull}>
      {isTogether ? 'Pull apart' : 'Put together'}
    </Button>
  );
}

function FuseActs({ bench, fuseId, ratingA, onDo }: { bench: HuntBench; fuseId: string; ratingA: number; onDo(act: HuntAct): void }) {
  const isLamp = bench.state.lampAt === fuseId;
  const [wantedA, setWantedA] = useState<number | null>(ratingA);
  return (
    <>
      <Button size="small" disabled={bench.state.out.has(fuseId)} onClick={() => onDo({ kind: 'pullFuse', fuseId })}>
        Pull
      </Button>
      <Button size="small" onClick={() => onDo({ kind: 'lamp', fuseId: isLamp ? null : fuseId })}>
        {isLamp ? 'Test lamp out' : 'Test lamp in its place'}
      </Button>
      <span className={styles.fit}>
        <InputNumber
          size="small"
          aria-label="Rating of the new fuse, A"
          min={0.5}
          max={1000}
          value={wantedA}
          onChange={setWantedA}
          suffix="A"
        />
        <Button
          size="small"
          disabled={wantedA === null}
          onClick={() => wantedA !== null && onDo({ kind: 'fitFuse', fuseId, ratingA: wantedA })}
        >
          Fit a new one
        </Button>
      </span>
    </>
  );
}

function NameIt({ about, kinds, onName }: { about: string; kinds: readonly NamedKind[]; onName(kind: NamedKind): void }) {
  const [kind, setKind] = useState<NamedKind | null>(null);
  return (
    <div className={styles.name}>
      <Select<NamedKind | null>
        size="small"
        aria-label={`What is wrong with ${about}`}
        placeholder="what is wrong with it"
        value={kind}
        options={kinds.map((value) => ({ value, label: NAMED_WORDS[value] }))}
        onChange={setKind}
      />
      <Button size="small" type="primary" disabled={kind === null} onClick={() => kind && onName(kind)}>
        Mend it
      </Button>
    </div>
  );
}
