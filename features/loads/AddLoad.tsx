'use client';

import { Button, Select } from 'antd';
import { Plus } from 'lucide-react';
import { memo, useRef, useState } from 'react';
import { kindById, kindsNamed, LOAD_KINDS, type LoadKind } from '@/core/devices/loadKinds';
import { CATALOG_LOADS, type CatalogLoad } from '@/core/devices/usualLoads';
import { formatDraw, splitNameAndDraw, type TypedLoad } from '@/core/formats/drawText';
import { setDuty } from '@/core/design/duties';
import { Edit } from '@/core/design/edit';
import { addFunctions } from '@/core/switching/lampFunctions';
import { namedLoad, newLoad } from '@/core/switching/newLoad';
import { formatNumber } from '@/core/units/quantity';
import { useDesign, useDesignStore, useUnits } from '@/features/design/DesignProvider';
import { NameInput } from '@/ui/NameInput';
import { nameProblem } from '@/ui/nameProblem';
import { useShortcut } from '@/ui/useShortcut';
import { MenuButton } from '@/ui/MenuButton';
import { pasteList } from './paste';
import styles from './LoadsStage.module.css';

/** What is chosen where a name says nothing, or something else is meant. */
const OTHER = 'other';

/**
 * A name, with its draw if one likes, and a zone make a load; its name says what kind it is, which is shown and can be changed before it is
 * added. The field stays ready for the next one.
 */
export const AddLoad = memo(function AddLoad({ onList }: { onList(text: string): void }) {
  const store = useDesignStore();
  const units = useUnits();
  const zones = useDesign(({ analysis }) => analysis.index.zones);
  const nominalV = useDesign(({ analysis }) => analysis.index.settings.nominalV);
  const hasScenario = useDesign(({ analysis }) => analysis.scenario !== null);
  const [typed, setTyped] = useState('');
  const [chosen, setZone] = useState<string | null>(null);
  const [kindId, setKind] = useState<string | null>(null);
  const zoneId = zones.some(({ id }) => id === chosen) ? chosen : (zones[0]?.id ?? null);
  const pieces = typed.split(/\s\+\s/).map((piece) => splitNameAndDraw(piece, nominalV, units));
  // “Scene lamp white 36 W + amber 18 W” is one lamp with a function for each further word; without a draw for each, a plus is a letter of
  // the name.
  const isSeveral = pieces.length > 1 && pieces.every((one) => one.name !== '' && one.draw !== null);
  const typedLoad = isSeveral ? pieces[0]! : splitNameAndDraw(typed, nominalV, units);
  const { name, draw, quantity, isUnread } = typedLoad;
  const functions = isSeveral ? pieces.slice(1) : [];
  const named = kindsNamed(name);
  const kind = kindId === null ? (named[0] ?? null) : kindById(kindId);
  const add = () => {
    if (!name) return;
    const plain = namedLoad(name, zoneId, kind);
    // What is said and not read is no usual draw: it stays unknown, which is a finding.
    const rated = draw ?? (isUnread ? newLoad(name, zoneId).rated : plain.rated);
    const load = { ...plain, quantity, rated };
    store.commit(`Add ${name}`, (design) => {
      const edit = new Edit(design);
      edit.add(load);
      const words = functions.map(({ name: word, draw: its }) => ({ word, rated: its }));
      const ids = [load.id, ...addFunctions(edit, load.id, words)];
      for (const [at, { hours, sharePercent }] of [typedLoad, ...functions].entries())
        if (hours !== null && ids[at] !== undefined)
          setDuty(edit, ids[at], { hoursPerDay: hours, ...(sharePercent !== null && { sharePercent }) });
      return edit.change;
    });
    setTyped('');
    setKind(null);
  };
  const addUsual = ({ name: usual, more, rated, behaviour, continuous }: CatalogLoad) => {
    const load = { ...newLoad(usual, zoneId), rated, behaviour, continuous, ...more };
    store.commit(`Add ${usual}`, () => ({ added: [load], updated: [], removed: [] }));
  };
  const field = useRef<HTMLSpanElement>(null);
  useShortcut('n', () => field.current?.querySelector('input')?.focus(), { preventDefault: true });
  return (
    <span className={styles.addLoad}>
      <span ref={field} onPaste={(event) => pasteList(event, onList)}>
        <NameInput
          label="Name of a new load"
          placeholder="New load, such as Reading light 3 W"
          value={typed}
          style={{ width: 240 }}
          onChange={setTyped}
          onEnter={add}
        />
      </span>
      {name !== '' && (
        <Select
          size="small"
          aria-label="Kind of the new load"
          value={kind?.id ?? OTHER}
          onChange={setKind}
          style={{ width: 170 }}
          status={kindId === null && named.length !== 1 ? 'warning' : undefined}
          options={[...LOAD_KINDS.map(({ id, label }) => ({ value: id, label })), { value: OTHER, label: 'something else' }]}
        />
      )}
      <Select
        size="small"
        aria-label="Zone of the new load"
        value={zoneId}
        onChange={setZone}
        style={{ width: 130 }}
        options={zones.map(({ id, name: label }) => ({ value: id, label }))}
      />
      <Button size="small" type="primary" icon={<Plus size={15} />} disabled={!name || nameProblem(typed) !== null} onClick={add}>
        Add load
      </Button>
      {name !== '' && (
        <span className={styles.takenFor} role="status">
          {takenFor(kind, kindId === null && named.length > 1, draw === null)}
          {functions.length > 0 &&
            `; with ${functions.map((one) => [one.name, one.draw && formatDraw(one.draw, nominalV, units), hoursOf(one)].filter(Boolean).join(', ')).join(' and ')}`}
        </span>
      )}
      <MenuButton
        size="small"
        listHeight={420}
        items={CATALOG_LOADS.map((usual) => ({
          key: usual.name,
          label: `${usual.name}, ${formatDraw(usual.rated, 12, units)}`,
          onClick: () => addUsual(usual),
        }))}
      >
        A usual one
      </MenuButton>
    </span>
  );

  function takenFor(taken: LoadKind | null, doubtful: boolean, usualDraw: boolean): string {
    const said = [
      doubtful && 'may be several things: choose',
      usualDraw && isUnread && 'draw not understood: type it last, or last before the hours',
      usualDraw &&
        !isUnread &&
        (taken?.usual ? `usually ${formatDraw(taken.usual, nominalV, units)}` : 'draw not known yet: type it behind the name'),
      hasScenario || typedLoad.hours === null ? hoursOf(typedLoad) : 'its hours need a scenario first',
      taken?.dropClass === 'critical' && 'judged at 3 %',
    ];
    return said.filter(Boolean).join('; ');
  }
});

/** The hours a day a line says, in words; null where it says none. */
function hoursOf({ hours, sharePercent }: TypedLoad): string | null {
  if (hours === null) return null;
  return `${formatNumber(hours, 1)} h a day${sharePercent === null ? '' : `, ${formatNumber(sharePercent, 0)} % of it`}`;
}
