import {
  NO_CHANGE,
  applyChange,
  applyUnchecked,
  changedFields,
  composeChanges,
  invertChange,
  setting,
  updateRecords,
  withFields,
  type Change,
  type RecordFields,
} from './change';
import { makeDesign, recordOf, recordsOf, type Design } from './design';
import { Edit } from './edit';
import { newId } from './ids';
import { DesignError } from './problems';
import { referencesOf } from './references';
import { isPart, recordKindOf } from './recordKinds';
import type { Choice, DesignRecord, Option, PartRecord } from './schema';

/**
 * Choices and their options: versions of a part of a design beside each other. One option of each choice stands, which is the design
 * itself; every other keeps the way from the design to itself, so that whatever else is edited meanwhile is in all of them.
 */

const notChosen = (record: PartRecord): readonly string[] => recordKindOf(record).notChosen ?? [];

/** The parts of a change that an option can hold. */
export function partsOf({ added, updated, removed }: Change): NonNullable<Option['way']> {
  return {
    added: added.filter(isPart),
    updated: updated.flatMap(({ from, to }) => {
      if (!isPart(from)) return [];
      const fields = changedFields(from, to).filter((field) => !notChosen(from).includes(field));
      return fields.length === 0 ? [] : [{ from, to: withSome(from, to, fields) as PartRecord }];
    }),
    removed: removed.filter(isPart),
  };
}

function withSome(record: DesignRecord, other: DesignRecord, fields: readonly string[]): DesignRecord {
  return withFields(record, Object.fromEntries(fields.map((field) => [field, (other as never)[field]])) as RecordFields);
}

/**
 * A way made on records that have moved on, made on them as they stand: its own values, field by field. What is gone meanwhile stays gone,
 * what is there already stays.
 */
function onto({ records }: Design, { added, updated, removed }: Change): Change {
  const goes = removed.flatMap(({ id }) => records.get(id) ?? []);
  return {
    added: added.filter(({ id }) => !records.has(id)),
    updated: updated.flatMap(({ from, to }) => {
      const now = records.get(from.id);
      const fields = changedFields(from, to);
      const then = now?.type === to.type ? withSome(now, to, fields) : now;
      return now && then && changedFields(now, then).length > 0 ? [{ from: now, to: then }] : [];
    }),
    removed: [...goes, ...aboutGone(records, new Set(goes.map(({ id }) => id)))],
  };
}

/** What was read at parts that go, and where they were put in the diagram: it is about nothing then. */
function aboutGone(records: Design['records'], gone: ReadonlySet<string>): DesignRecord[] {
  if (gone.size === 0) return [];
  const isAbout = (record: DesignRecord) => record.type === 'reading' || record.type === 'drawn';
  return Array.from(records.values()).filter((record) => isAbout(record) && referencesOf(record).some(({ id }) => gone.has(id)));
}

/** The option’s design. @throws DesignError where the option no longer fits what was edited meanwhile */
export function designWith(design: Design, option: Option): Design {
  if (!option.way) return design;
  // What the standing option has of its own so far is none of the others’.
  const apart = recordOf(design, option.choiceId, 'choice')?.apart;
  const back = apart ? wayBack(design, apart.parts) : NO_CHANGE;
  return applyChange(design, composeChanges(back, onto(applyUnchecked(design, back), option.way)));
}

export function optionsOf(design: Design, choiceId: string): Option[] {
  return recordsOf(design, 'option').filter((option) => option.choiceId === choiceId);
}

/** The choice one works on by itself, if any. */
export function choiceApart(design: Design): Choice | null {
  return recordsOf(design, 'choice').find(({ apart }) => apart !== undefined) ?? null;
}

function known(design: Design, choiceId: string): Choice {
  const choice = recordOf(design, choiceId, 'choice');
  if (!choice) throw new DesignError([{ code: 'missingRecord', id: choiceId }]);
  return choice;
}

/** A new choice, of which the design as it is is the first option. */
export function addChoice(edit: Edit, name: string, asItIs: string): Choice {
  const id = newId('choice');
  const standing = edit.add({ id: newId('option'), type: 'option', choiceId: id, name: asItIs });
  return edit.add({ id, type: 'choice', name, standingId: standing.id });
}

/** An option made of a change that was proposed and is not taken. */
export function addOption(edit: Edit, choiceId: string, name: string, change: Change): Option {
  known(edit.design, choiceId);
  return edit.add({ id: newId('option'), type: 'option', choiceId, name, way: partsOf(change) });
}

/**
 * Begins a new option that stands from now on: what is edited until `keepApart` is its own. @throws DesignError while another is worked on
 */
export function beginOption(edit: Edit, choiceId: string, name: string): void {
  const { standingId } = workApart(edit, choiceId, true);
  const { id } = edit.add({ id: newId('option'), type: 'option', choiceId, name });
  edit.set(standingId, { way: partsOf(NO_CHANGE) });
  edit.set(choiceId, { standingId: id });
}

/** From now on edits are the standing option’s own, until `keepApart`. @throws DesignError while one of any choice is worked on already */
export function workApart(edit: Edit, choiceId: string, isNew = false): Choice {
  const choice = known(edit.design, choiceId);
  const busy = choiceApart(edit.design);
  if (busy) throw new DesignError([{ code: 'otherApart', id: choiceId, other: busy.id }]);
  const parts = Array.from(edit.design.records.values()).filter(isPart);
  edit.set(choice, { apart: { parts, before: isNew ? choice.standingId : null } });
  return choice;
}

/** What was edited since one began to work on the standing option alone. */
export function doneApart(design: Design, { apart }: Choice): Change {
  return apart ? invertChange(partsOf(wayBack(design, apart.parts))) : NO_CHANGE;
}

/** From the design as it is to its parts as they were, and what is about those that go with them. */
function wayBack(design: Design, parts: readonly PartRecord[]): Change {
  const before = makeDesign(parts);
  const way = partsOf({
    added: parts.filter(({ id }) => !design.records.has(id)),
    updated: parts.flatMap((from) => {
      const now = design.records.get(from.id);
      return now ? [{ from: now, to: from }] : [];
    }),
    removed: Array.from(design.records.values()).filter((record) => isPart(record) && !before.records.has(record.id)),
  });
  return { ...way, removed: [...way.removed, ...aboutGone(design.records, new Set(way.removed.map(({ id }) => id)))] };
}

/**
 * Ends working on the standing option alone: every other option of its choice goes back over what was edited before it goes its own way.
 */
export function keepApart(edit: Edit, choiceId: string): void {
  const choice = known(edit.design, choiceId);
  if (!choice.apart) return;
  const back = partsOf(wayBack(edit.design, choice.apart.parts));
  const before = applyUnchecked(edit.design, back);
  for (const option of optionsOf(edit.design, choiceId))
    if (option.id !== choice.standingId) edit.set(option, { way: partsOf(composeChanges(back, onto(before, option.way ?? NO_CHANGE))) });
  edit.set(choice, { apart: undefined });
}

/**
 * Ends it by putting the design back as it was; an option that was begun so goes. @throws DesignError where something outside hangs on what
 * goes
 */
export function dropApart(design: Design, choiceId: string): Change {
  const choice = known(design, choiceId);
  if (!choice.apart) return NO_CHANGE;
  const { parts, before } = choice.apart;
  const back = wayBack(design, parts);
  const edit = new Edit(applyChange(design, back));
  edit.set(choice, { apart: undefined, ...(before !== null && { standingId: before }) });
  if (before !== null) {
    edit.set(before, { way: undefined });
    edit.remove(choice.standingId);
  }
  return composeChanges(back, edit.change);
}

/**
 * Makes another option stand: the design becomes it, and every other keeps its way from there.
 * @throws DesignError where it no longer fits, or while one is worked on alone
 */
export function takeOption(design: Design, optionId: string): Change {
  const option = recordOf(design, optionId, 'option');
  if (!option) throw new DesignError([{ code: 'missingRecord', id: optionId }]);
  const choice = known(design, option.choiceId);
  const busy = choiceApart(design);
  if (busy) throw new DesignError([{ code: 'otherApart', id: choice.id, other: busy.id }]);
  if (optionId === choice.standingId) return NO_CHANGE;
  const there = onto(design, option.way ?? NO_CHANGE);
  const after = applyChange(design, there);
  const back = partsOf(invertChange(there));
  const turned = optionsOf(design, choice.id).map((other) => {
    if (other.id === optionId) return setting(other, { way: undefined });
    return setting(other, { way: partsOf(composeChanges(back, onto(design, other.way ?? NO_CHANGE))) });
  });
  // Why the one before stood is no reason for this one.
  const said = setting(choice, { standingId: optionId, why: undefined, decidedOn: undefined });
  return composeChanges(there, updateRecords(after, [...turned, said]));
}

/** Takes an option away. The one that stands stays: that is the design. */
export function removeOption(edit: Edit, optionId: string): void {
  const option = recordOf(edit.design, optionId, 'option');
  if (option && known(edit.design, option.choiceId).standingId !== optionId) edit.remove(optionId);
}

/** Ids that any option of a choice makes other than they are. */
export function touchedBy(options: readonly Option[]): Set<string> {
  return new Set(
    options.flatMap(({ way }) =>
      way ? [...way.added.map(({ id }) => id), ...way.updated.map(({ from }) => from.id), ...way.removed.map(({ id }) => id)] : [],
    ),
  );
}

/** A change that was tried, kept as an option of the choice with that name, which begins with it where there is none. */
export function keepAsOption(design: Design, question: string, name: string, change: Change): Change {
  const edit = new Edit(design);
  const choice = recordsOf(design, 'choice').find((one) => one.name === question) ?? addChoice(edit, question, 'As it is now');
  const alike = optionsOf(edit.design, choice.id).find((option) => option.name === name && option.way !== undefined);
  if (alike) edit.set(alike, { way: partsOf(change) });
  else addOption(edit, choice.id, name, change);
  return edit.change;
}
