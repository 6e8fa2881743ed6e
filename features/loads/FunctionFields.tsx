'use client';

import { Button, Select } from 'antd';
import { useState } from 'react';
import { NO_CHANGE } from '@/core/design/change';
import { Edit } from '@/core/design/edit';
import { nameOf } from '@/core/design/names';
import type { Load } from '@/core/design/schema';
import { formatDraw } from '@/core/formats/drawText';
import { addFunction, joinLamps, MOST_FUNCTIONS, partFromLamp, whyNotOne } from '@/core/switching/lampFunctions';
import { removeLoads } from '@/core/switching/loadWires';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { TextField } from '@/ui/TextField';
import { today } from '@/core/units/days';
import { NO_CIRCUIT, setCell, type LoadField } from './cells';
import styles from './LoadDetails.module.css';

type Common = NonNullable<Load['partOf']>['shares'];

const COMMON: { value: Common; label: string }[] = [
  { value: 'minus', label: 'one return for all' },
  { value: 'plus', label: 'one plus, each switched on its return' },
];

interface Props {
  load: Load;
  onOpen(loadId: string): void;
}

/** The functions of one lamp: white and amber, low and high, each with a terminal, a draw and a circuit of its own. */
export function FunctionFields({ load, onOpen }: Props) {
  return <section>{load.partOf ? <OfLamp load={load} onOpen={onOpen} /> : <OfItsOwn load={load} onOpen={onOpen} />}</section>;
}

function OfLamp({ load, onOpen }: Props) {
  const store = useDesignStore();
  const lampId = load.partOf!.loadId;
  const lamp = useDesign(({ design }) => nameOf(design, lampId));
  return (
    <>
      <h3>A function of a lamp</h3>
      <p className={styles.said}>
        One body with{' '}
        <Button type="link" size="small" className={styles.inText} onClick={() => onOpen(lampId)}>
          {lamp}
        </Button>
        , and one {load.partOf!.shares === 'minus' ? 'return' : 'plus'} in common. Where it is and how many there are go for both.
      </p>
      <Button
        size="small"
        onClick={() => store.commit(`Make ${load.name} a load of its own`, (design) => partFromLamp(design, load.id) ?? NO_CHANGE)}
      >
        Make it a load of its own
      </Button>
    </>
  );
}

function OfItsOwn({ load, onOpen }: Props) {
  const store = useDesignStore();
  const { commit, refusal } = useRefusal();
  const analysis = useDesign((state) => state.analysis);
  const [picked, setShares] = useState<Common>('minus');
  const functions = analysis.index.functions.get(load.id) ?? [];
  // A lamp's terminals are one thing or the other; its first function says which.
  const shares = functions[0]?.partOf!.shares ?? picked;
  const { nominalV, units } = analysis.index.settings;
  const set = (one: Load, field: LoadField, text: string) => {
    const why = setCell(new Edit(store.getState().design), one.id, field, text, today());
    if (why) return why;
    return store.commit(`Change ${one.name}`, (design) => {
      const edit = new Edit(design);
      setCell(edit, one.id, field, text, today());
      return edit.change;
    });
  };
  const others = analysis.index.loads.filter((other) => whyNotOne(analysis.design, load, other) === null).sort(nearest(load));
  const isFull = functions.length + 1 >= MOST_FUNCTIONS;
  return (
    <>
      <h3>Functions</h3>
      <p className={styles.said}>
        {functions.length === 0
          ? 'One light, one wire. A lamp with a white and an amber side, or a low and a high beam, has a wire, a fuse and hours for each.'
          : `It has ${functions.length + 1}, with ${shares === 'minus' ? 'one return for all' : 'one plus for all, each switched on its return'}. Beside this one:`}
      </p>
      {functions.map((one) => (
        <div key={one.id} className={styles.function} role="group" aria-label={one.name}>
          <TextField label={`Name of ${one.name}`} text={one.name} width={172} onCommit={(text) => set(one, 'name', text)} />
          <TextField
            label={`Draw of ${one.name}, each`}
            text={formatDraw(one.rated, nominalV, units)}
            width={68}
            onCommit={(text) => set(one, 'rated', text)}
          />
          <Button size="small" onClick={() => onOpen(one.id)} aria-label={`Open ${one.name}`}>
            {circuitOf(analysis.loads.get(one.id)?.circuitId, analysis.design)}
          </Button>
          <Button
            size="small"
            aria-label={`Remove ${one.name}`}
            onClick={() => store.commit(`Remove ${one.name}`, (design) => removeLoads(design, [one.id]))}
          >
            ×
          </Button>
        </div>
      ))}
      {!isFull && (
        <div className={styles.function}>
          {functions.length === 0 && (
            <Select<Common>
              size="small"
              aria-label="What its functions have in common"
              value={picked}
              style={{ width: 196 }}
              popupMatchSelectWidth={false}
              onChange={setShares}
              options={COMMON}
            />
          )}
          <Button
            size="small"
            onClick={() => commit(`Add a function to ${load.name}`, (design) => addFunction(design, load.id, shares)?.change ?? NO_CHANGE)}
          >
            Add a function
          </Button>
        </div>
      )}
      {!isFull && others.length > 0 && (
        <div className={styles.function}>
          <Select<string>
            size="small"
            aria-label="Load to make one lamp with"
            value={null}
            placeholder="or make one lamp with another load…"
            style={{ width: 300 }}
            showSearch={{ optionFilterProp: 'label' }}
            onChange={(id) =>
              void commit(
                `Make ${load.name} and ${nameOf(analysis.design, id)} one lamp`,
                (design) => joinLamps(design, load.id, id, shares) ?? NO_CHANGE,
              )
            }
            options={others.map(({ id, name }) => ({ value: id, label: name }))}
          />
        </div>
      )}
      {refusal}
    </>
  );
}

/** What may be the same lamp: of the same zone, and named alike, first. */
function nearest(load: Load): (a: Load, b: Load) => number {
  const word = load.name.toLowerCase().split(/[\s,]+/)[0]!;
  const rank = ({ zoneId, name }: Load) => (name.toLowerCase().startsWith(word) ? 0 : 2) + (zoneId === load.zoneId ? 0 : 1);
  return (a, b) => rank(a) - rank(b) || a.name.localeCompare(b.name);
}

function circuitOf(circuitId: string | null | undefined, design: Parameters<typeof nameOf>[0]): string {
  return circuitId ? nameOf(design, circuitId).slice(0, 2) : NO_CIRCUIT;
}
