'use client';

import { useRouter } from 'next/navigation';
import { useMemo, useState, type KeyboardEvent } from 'react';
import type { Analysis } from '@/core/analysis/types';
import { kindOf } from '@/core/devices';
import { nameOf } from '@/core/design/names';
import { harnessOf } from '@/core/harness/schedule';
import { GLOSSARY, termId } from '@/core/handbook/glossary';
import { HANDBOOK } from '@/core/handbook/pages';
import { formatAmps, formatRating } from '@/core/units/quantity';
import { useDesign } from '@/features/design/DesignProvider';
import { COME, WISH } from '@/features/workspace/targets';
import { jumpWithin } from '@/features/workspace/useHashTarget';
import { useJump } from '@/features/workspace/useJump';
import { Dialog } from '@/ui/Dialog';
import { Input } from '@/ui/Input';
import styles from './FindDialog.module.css';

interface Entry {
  id: string;
  /** A page to go to; absent: a record of the design. */
  href?: string;
  name: string;
  what: string;
  haystack: string;
}

const MOST = 12;

/** Finds any thing in the design by name, number or kind and goes there. */
export function FindDialog({ onClose }: { onClose(): void }) {
  const analysis = useDesign((state) => state.analysis);
  const jump = useJump();
  const router = useRouter();
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const designId = useDesign((state) => state.id);
  const entries = useMemo(() => entriesOf(analysis, `/d/${designId}`), [analysis, designId]);
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const matches = entries.filter(({ haystack }) => words.every((word) => haystack.includes(word)));
  const found = matches.slice(0, MOST);
  const chosen = found[Math.min(at, found.length - 1)];

  const go = (entry: Entry | undefined) => {
    if (!entry) return;
    onClose();
    if (entry.href === undefined) return jump(entry.id);
    if (!jumpWithin(entry.href)) router.push(entry.href);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      setAt(Math.min(found.length - 1, Math.max(0, at + (event.key === 'ArrowDown' ? 1 : -1))));
    } else if (event.key === 'Enter') go(chosen);
  };

  return (
    <Dialog open footer={null} closable={false} onCancel={onClose} width={560} title="Find in this design and in the handbook">
      <Input
        autoFocus
        role="combobox"
        aria-label="Find"
        aria-expanded
        aria-controls="found"
        aria-activedescendant={chosen ? `found-${chosen.id}` : undefined}
        placeholder="A lamp, a circuit number, a zone, a fuse…"
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          setAt(0);
        }}
        onKeyDown={onKeyDown}
      />
      <ul id="found" role="listbox" aria-label="Found" className={styles.list}>
        {found.map((entry) => (
          <li
            key={entry.id}
            id={`found-${entry.id}`}
            role="option"
            aria-selected={entry === chosen}
            className={entry === chosen ? styles.chosen : undefined}
            onClick={() => go(entry)}
          >
            <span>{entry.name}</span>
            <span className={styles.what}>{entry.what}</span>
          </li>
        ))}
      </ul>
      <p className={styles.count} role="status">
        {matches.length === 0
          ? 'Nothing of that name in this design or the handbook.'
          : matches.length > MOST
            ? `${MOST} of ${matches.length} shown; type more to narrow it down.`
            : ''}
      </p>
    </Dialog>
  );
}

function entriesOf({ design, index, wiring, circuits, loads }: Analysis, home: string): Entry[] {
  const zoneName = (id: string | null) => (id === null ? 'no zone' : nameOf(design, id));
  const entries: Omit<Entry, 'haystack'>[] = [
    ...circuits.map(({ id, zoneId, ratingA }) => ({
      id,
      name: nameOf(design, id),
      what: `circuit, ${formatRating(ratingA)}, ${zoneName(zoneId)}`,
    })),
    ...Array.from(loads.values(), ({ id, load, draw }) => ({
      id,
      name: load.name,
      what: `load, ${formatAmps(draw.amps)}, ${zoneName(load.zoneId)}`,
    })),
    ...index.zones.map(({ id, name }) => ({ id, name, what: 'zone' })),
    ...index.places.map(({ id, name, zoneId }) => ({ id, name, what: `place, ${zoneName(zoneId)}` })),
    ...index.routes.map(({ id, name }) => ({ id, name, what: 'route' })),
    ...index.keepClear.map(({ id, name }) => ({ id, name, what: 'keep clear' })),
    ...index.scenarios.map(({ id, name }) => ({ id, name, what: 'scenario' })),
  ];
  for (const device of index.devices.values()) {
    if (device.kind !== 'load')
      entries.push({ id: device.id, name: device.name, what: `${kindOf(device).label}, ${zoneName(device.zoneId)}` });
  }
  for (const { id, name } of index.loads) {
    entries.push({
      id: `come_${id}`,
      name: `How should ${name} come on?`,
      what: 'a way to switch it',
      href: `${home}/switching#${COME}${id}`,
    });
    entries.push({ id: `wish_${id}`, name: `Wish something of ${name}`, what: 'what it shall do', href: `${home}/switching#${WISH}${id}` });
  }
  entries.push(
    ...harnessOf(index, wiring).wires.map(({ wire, number }) => ({
      ...{ id: `wire_${wire.id}`, name: number, what: `wire, ${nameOf(design, wire.id)}` },
      href: `${home}/harness#${wire.id}`,
    })),
    ...HANDBOOK.map(({ id, title, about }) => ({ id: `handbook_${id}`, name: title, what: `handbook: ${about}`, href: `/handbook/${id}` })),
    ...GLOSSARY.map(({ term, meaning }) => ({ id: `term_${term}`, name: term, what: meaning, href: `/handbook/glossary#${termId(term)}` })),
  );
  return entries.map((entry) => ({ ...entry, haystack: `${entry.name} ${entry.what}`.toLowerCase() }));
}
