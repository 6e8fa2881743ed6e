import type { ClipboardEvent } from 'react';
import type { Design } from '@/core/design/design';
import { Edit } from '@/core/design/edit';
import { nameOf } from '@/core/design/names';
import { hasHeadings } from '@/core/formats/loadColumns';
import { namedLoad } from '@/core/switching/newLoad';
import type { DesignStore } from '@/features/design/designStore';
import { today } from '@/core/units/days';
import { setCell, type LoadField } from './cells';
import type { LoadRow } from './columns';

/** A pasted list, several lines or several cells, goes to its preview; a word or a line of words is pasted as it is. */
export function pasteList(event: ClipboardEvent, offer: (text: string) => void): void {
  const text = event.clipboardData.getData('text/plain').trim();
  if (!/[\n\t]/.test(text)) return;
  event.preventDefault();
  event.stopPropagation();
  offer(text);
}

const SET_FIELDS = new Set<string>([
  'name',
  'zone',
  'circuit',
  'quantity',
  'spacing',
  'rated',
  'measured',
  'lasting',
  'group',
  'when',
  'hours',
  'share',
]);

/**
 * Whether a block is a list of loads of another table: with headings of its own, or begun at a name and with columns that are not the ones
 * it would land in.
 */
export function isList(design: Design, rows: LoadRow[], keys: string[], block: string[][]): boolean {
  if (hasHeadings(block)) return true;
  return (
    keys[0] === 'name' && block.length > 1 && block[0]!.length > 1 && fillCells(new Edit(design), rows, keys, block).length >= block.length
  );
}

/** Takes a block of cells row by row into the loads given; past the last one each line makes a new load. */
export function pasteBlock(store: DesignStore, rows: LoadRow[], keys: string[], block: string[][]): string[] {
  let problems: string[] = [];
  store.commit(block.length === 1 ? 'Paste' : `Paste ${block.length} lines`, (design) => {
    const edit = new Edit(design);
    problems = fillCells(edit, rows, keys, block);
    return edit.change;
  });
  return problems;
}

function fillCells(edit: Edit, rows: LoadRow[], keys: string[], block: string[][]): string[] {
  const problems: string[] = [];
  block.forEach((cells, line) => {
    const loadId = rows[line]?.id ?? addPasted(edit, cells[keys.indexOf('name')], rows.at(-1)?.load.zoneId ?? null);
    cells.slice(0, keys.length).forEach((text, at) => {
      const key = keys[at]!;
      if (!SET_FIELDS.has(key)) return;
      const problem = setCell(edit, loadId, key as LoadField, text, today());
      if (problem) problems.push(`Line ${line + 1}, ${nameOf(edit.design, loadId)}, ${key} “${text}”: ${problem}`);
    });
  });
  return problems;
}

function addPasted(edit: Edit, name: string | undefined, zoneId: string | null): string {
  return edit.add(namedLoad(name?.trim() || 'Pasted load', zoneId)).id;
}
