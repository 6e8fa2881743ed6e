import type { ClipboardEvent } from 'react';
import { pip } from '../../demo/pip';
import { analyse } from '../../core/analysis/analyse';
import { applyChange, isEmpty } from '../../core/design/change';
import { devicesOfKind, type Design } from '../../core/design/design';
import type { DesignStore, MakeChange } from '../design/designStore';
import { makeRows } from './useLoadRows';
import { isList, pasteBlock, pasteList } from './paste';

const design = pip();
const rows = makeRows(analyse(design));
const KEYS = ['name', 'zone', 'circuit', 'quantity'];
const loadsOf = (of: Design) => devicesOfKind(of, 'load');

/** Takes one edit as an open design does. */
function into() {
  let after = design;
  let label = '';
  const commit = (said: string, make: MakeChange) => {
    label = said;
    const change = make(design);
    if (change && !isEmpty(change)) after = applyChange(design, change);
    return null;
  };
  return { store: { commit } as unknown as DesignStore, after: () => after, label: () => label };
}

function pasted(text: string) {
  const offered: string[] = [];
  const event = { clipboardData: { getData: () => text }, preventDefault: jest.fn(), stopPropagation: jest.fn() };
  pasteList(event as unknown as ClipboardEvent, (list) => offered.push(list));
  return { offered, isTaken: event.preventDefault.mock.calls.length > 0 && event.stopPropagation.mock.calls.length > 0 };
}

test('several lines or cells are a list, a line of words is typed as it is', () => {
  expect(pasted('Lamp\t12 W\nFan\t5 W\n')).toEqual({ offered: ['Lamp\t12 W\nFan\t5 W'], isTaken: true });
  expect(pasted('Lamp\t12 W')).toMatchObject({ isTaken: true });
  expect(pasted('  Reading lamp 12 W \n')).toEqual({ offered: [], isTaken: false });
});

test('a block is a list of another table by its headings, or by columns that do not fit where it would land', () => {
  expect(isList(design, rows, KEYS, [['Name', 'Watts'], ['Fan', '5']])).toBe(true); // prettier-ignore
  expect(isList(design, rows, ['quantity'], [['2'], ['3']])).toBe(false);
  expect(isList(design, rows, KEYS, [['Fan', rows[0]!.zone], ['Lamp', rows[0]!.zone]])).toBe(false); // prettier-ignore
  expect(isList(design, rows, KEYS, [['Fan', '5 W of it'], ['Lamp', '12 W of it']])).toBe(true); // prettier-ignore
  expect(isList(design, rows, KEYS, [['Fan', '5 W of it']])).toBe(false);
});

test('cells are taken line by line, a line past the last makes a load in the zone of the last, and what cannot be read says where', () => {
  const last = rows.slice(-1);
  const { store, after, label } = into();
  const problems = pasteBlock(store, last, ['name', 'quantity'], [['Porch lamp', '2'], ['  ', 'many'], ['Fan', '3']]); // prettier-ignore
  expect(label()).toBe('Paste 3 lines');
  const added = loadsOf(after()).filter(({ id }) => !loadsOf(design).some((one) => one.id === id));
  expect(loadsOf(after()).find(({ id }) => id === last[0]!.id)).toMatchObject({ name: 'Porch lamp', quantity: 2 });
  expect(added.map(({ name, quantity }) => [name, quantity])).toEqual([['Pasted load', 1], ['Fan', 3]]); // prettier-ignore
  expect(added.every(({ zoneId }) => zoneId === last[0]!.load.zoneId)).toBe(true);
  expect(problems.some((problem) => /^Line 2, Pasted load, quantity “many”: /.test(problem))).toBe(true);
});

test('one line is one paste; a column that is only shown takes nothing', () => {
  const { store, after, label } = into();
  expect(pasteBlock(store, rows, ['current', 'quantity'], [['99', '4', '17']])).toEqual([]);
  expect(label()).toBe('Paste');
  expect(loadsOf(after()).find(({ id }) => id === rows[0]!.id)).toEqual({ ...rows[0]!.load, quantity: 4 });
});
