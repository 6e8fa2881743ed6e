'use client';

import { Button, Progress, Segmented, Select } from 'antd';
import { useState, type ReactNode } from 'react';
import type { OptionCompared } from '@/core/advice/compareOptions';
import { updateRecords } from '@/core/design/change';
import { recordsOf, type Design } from '@/core/design/design';
import { Edit } from '@/core/design/edit';
import { addChoice, beginOption, choiceApart, optionsOf, removeOption, takeOption, workApart } from '@/core/design/options';
import type { Choice, Option } from '@/core/design/schema';
import { misfitWords, optionsTable, rowsThatDiffer } from '@/core/formats/optionsTable';
import { useDesign, useUnits } from '@/features/design/DesignProvider';
import { usePrices } from '@/features/design/usePrices';
import { useRefusal } from '@/features/design/useRefusal';
import { useWorkerAnswer } from '@/features/design/useWorkerAnswer';
import { NameInput } from '@/ui/NameInput';
import { nameProblem } from '@/ui/nameProblem';
import { NoteField } from '@/ui/NoteField';
import { Table, type Column, type RowGroup } from '@/ui/Table';
import { TextField } from '@/ui/TextField';
import type { OptionsAnswer } from '@/workers/options';
import { today } from '@/core/units/days';
import shared from './Harness.module.css';
import styles from './Choices.module.css';

const make = () => new Worker(new URL('../../workers/options.ts', import.meta.url), { type: 'module' });

/** Versions of a part of the design beside each other: what each comes to, what speaks for it, which one stands and why. */
export function ChoicesView() {
  const view = useDesign((state) => state.view);
  const design = useDesign((state) => state.design);
  const choices = recordsOf(design, 'choice');
  const [openId, setOpen] = useState<string | null>(null);
  const [isNew, setNew] = useState(false);
  const choice = choices.find(({ id }) => id === openId) ?? choices[0];
  return (
    <div className={shared.view} role="region" aria-label="Choices" tabIndex={0}>
      <div className={styles.bar}>
        {choices.length > 1 && !isNew && (
          <Select
            aria-label="The choice"
            value={choice?.id}
            style={{ minWidth: 320 }}
            options={choices.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(id) => {
              setOpen(id);
              setNew(false);
            }}
          />
        )}
      </div>
      {view === 'now' ? (
        <p className={shared.soft}>Choices are of the plan: show the design as planned to work on them.</p>
      ) : isNew || !choice ? (
        <NewChoice
          isFirst={!choice}
          onDone={(id) => {
            setNew(false);
            if (id) setOpen(id);
          }}
        />
      ) : (
        <ChoiceTable key={choice.id} choice={choice} options={optionsOf(design, choice.id)} onNew={() => setNew(true)} />
      )}
    </div>
  );
}

function NewChoice({ isFirst, onDone }: { isFirst: boolean; onDone(id: string | null): void }) {
  const { commit, refusal } = useRefusal();
  const [question, setQuestion] = useState('');
  const [asItIs, setAsItIs] = useState('As it is now');
  const isReady = [question, asItIs].every((name) => name.trim() !== '' && nameProblem(name) === null);
  const begin = () => {
    if (!isReady) return;
    let id: string | null = null;
    const refused = commit(`Begin the choice ${question.trim()}`, (now) => {
      const edit = new Edit(now);
      ({ id } = addChoice(edit, question.trim(), asItIs.trim()));
      return edit.change;
    });
    if (refused === null) onDone(id);
  };
  return (
    <section className={styles.begin} aria-label="A new choice">
      {isFirst && (
        <p>
          Where a thing can be done in more than one way, keep the ways beside each other: parts, price, wires, drop, what hangs on what.
          Any of them can stand in the design, and the reasons are printed with it.
        </p>
      )}
      <label>
        What is to be chosen
        <NameInput
          label="What is to be chosen"
          placeholder="where the lamps’ relays sit"
          value={question}
          onChange={setQuestion}
          onEnter={begin}
          autoFocus={!isFirst}
        />
      </label>
      <label>
        The design as it is, as one option
        <NameInput label="The design as it is, as one option" value={asItIs} onChange={setAsItIs} onEnter={begin} />
      </label>
      <p className={styles.buttons}>
        <Button type="primary" size="small" disabled={!isReady} onClick={begin}>
          Begin
        </Button>
        {!isFirst && (
          <Button size="small" onClick={() => onDone(null)}>
            Never mind
          </Button>
        )}
      </p>
      {refusal}
    </section>
  );
}

/** What is compared, and what is said of each option. */
interface Compared {
  name: string;
  cells: readonly ReactNode[];
}

type Commit = ReturnType<typeof useRefusal>['commit'];

function ChoiceTable({ choice, options, onNew }: { choice: Choice; options: readonly Option[]; onNew(): void }) {
  const design = useDesign((state) => state.design);
  const units = useUnits();
  const { currency } = usePrices();
  const { commit, refusal } = useRefusal();
  const [shown, setShown] = useState<'differs' | 'all'>('differs');
  const apart = choiceApart(design);
  const { answer, done } = useWorkerAnswer<{ choiceId: string }, OptionsAnswer>(
    make,
    options.length > 1 ? { choiceId: choice.id } : null,
    'The options could not be worked out. They are again at the next change.',
  );
  const compared = answer?.compared ?? [];
  const groups = optionsTable(compared, units, currency);
  const ordered = compared.length > 0 ? compared : standingFirst(choice, options);
  const set = (id: string, label: string, fields: object) => commit(label, (now) => updateRecords(now, [{ id, set: fields }]));
  const inWords = (field: keyof typeof SPEAKS): Compared => ({
    name: SPEAKS[field],
    cells: ordered.map(({ option }) => (
      <NoteField
        key={option.id}
        label={`${SPEAKS[field]} ${option.name}`}
        text={option[field] ?? ''}
        onCommit={(text) => set(option.id, `${SPEAKS[field]} an option`, { [field]: text || undefined })}
      />
    )),
  });
  return (
    <section aria-label={choice.name}>
      <div className={styles.head}>
        <TextField
          label="What is to be chosen"
          text={choice.name}
          width={420}
          onCommit={(name) => set(choice.id, 'Name a choice', { name })}
        />
        <Segmented<'differs' | 'all'>
          size="small"
          aria-label="Which rows"
          value={shown}
          options={[
            { value: 'differs', label: 'What differs' },
            { value: 'all', label: 'All' },
          ]}
          onChange={setShown}
        />
        <Button
          size="small"
          onClick={() =>
            commit(`End the choice ${choice.name}`, (now) => {
              const edit = new Edit(now);
              edit.remove(choice.id);
              return edit.change;
            })
          }
          disabled={apart?.id === choice.id}
        >
          End it: keep the design as it is
        </Button>
        <Button size="small" onClick={onNew}>
          New choice …
        </Button>
      </div>
      {refusal}
      {options.length > 1 && !answer && <Progress percent={Math.round(done * 100)} size="small" aria-label="Options worked out" />}
      <div className={styles.scroll}>
        <Table
          className={styles.table}
          groupLook={styles.group}
          columns={[
            { label: 'What is compared', as: 'name', cell: ({ name }) => name },
            ...ordered.map((one, at): Column<Compared> => ({
              head: (
                <OptionHead
                  key={one.option.id}
                  compared={one}
                  choice={choice}
                  apart={apart}
                  isWorkedOut={compared.length > 0}
                  onCommit={commit}
                />
              ),
              headLook: one.isStanding ? styles.stands : undefined,
              cell: ({ cells }) => cells[at],
            })),
          ]}
          groups={[
            ...groups.flatMap(({ title, rows, more }): RowGroup<Compared>[] => {
              const told = shown === 'all' ? rows : rowsThatDiffer(rows);
              if (told.length === 0 && more === undefined) return [];
              const head = (
                <>
                  {title}
                  {more && <small> {more}</small>}
                </>
              );
              return [{ key: title, head, rows: told }];
            }),
            { key: 'words', head: 'In your words', rows: (['speaksFor', 'speaksAgainst'] as const).map(inWords) },
          ]}
          keyOf={(_, at) => at}
        />
      </div>
      <label className={styles.why}>
        Why it is so {choice.decidedOn && <small>decided {choice.decidedOn}</small>}
        <NoteField
          label="Why it is so"
          text={choice.why ?? ''}
          placeholder="not decided yet"
          onCommit={(why) => set(choice.id, 'Why it is so', { why: why || undefined, decidedOn: why ? today() : undefined })}
        />
      </label>
      <MoreOptions choice={choice} apart={apart} />
    </section>
  );
}

interface OptionHeadProps {
  compared: OptionCompared;
  choice: Choice;
  /** The choice of which an option is worked on by itself. */
  apart: Choice | null;
  isWorkedOut: boolean;
  onCommit: Commit;
}

function OptionHead({ compared: { option, isStanding, figures, problems }, choice, apart, isWorkedOut, onCommit }: OptionHeadProps) {
  const design = useDesign((state) => state.design);
  return (
    <>
      <TextField
        label={`Name of ${option.name}`}
        text={option.name}
        onCommit={(name) => onCommit('Name an option', (now) => updateRecords(now, [{ id: option.id, set: { name } }]))}
      />
      {isStanding ? (
        <em>stands in the design</em>
      ) : (
        <span className={styles.buttons}>
          <Button
            size="small"
            disabled={apart !== null || (isWorkedOut && figures === null)}
            onClick={() => onCommit(`${choice.name}: ${option.name}`, (now) => takeOption(now, option.id))}
          >
            Let it stand
          </Button>
          <Button
            size="small"
            disabled={apart?.id === choice.id}
            onClick={() =>
              onCommit(`Take the option ${option.name} away`, (now) => {
                const edit = new Edit(now);
                removeOption(edit, option.id);
                return edit.change;
              })
            }
          >
            Take away
          </Button>
        </span>
      )}
      {problems.length > 0 && <p role="alert">{misfitWords(design, option, problems)}</p>}
    </>
  );
}

const SPEAKS = { speaksFor: 'Speaks for', speaksAgainst: 'Speaks against' } as const;

function standingFirst(choice: Choice, options: readonly Option[]): OptionCompared[] {
  return options
    .map((option) => ({ option, isStanding: option.id === choice.standingId, figures: null, problems: [] }))
    .sort((a, b) => Number(b.isStanding) - Number(a.isStanding));
}

function MoreOptions({ choice, apart }: { choice: Choice; apart: Choice | null }) {
  const { commit, refusal } = useRefusal();
  const [name, setName] = useState('');
  const standing = useDesign((state) => optionName(state.design, choice.standingId));
  const isReady = name.trim() !== '' && nameProblem(name) === null;
  const begin = () => {
    if (!isReady) return;
    const refused = commit(`Begin the option ${name.trim()}`, (now) => {
      const edit = new Edit(now);
      beginOption(edit, choice.id, name.trim());
      return edit.change;
    });
    if (refused === null) setName('');
  };
  if (apart)
    return (
      <p className={shared.soft}>
        {apart.id === choice.id
          ? 'The option that stands is being worked on by itself'
          : `An option of ‘${apart.name}’ is being worked on by itself`}
        : keep it or put it back, above.
      </p>
    );
  return (
    <div className={styles.more}>
      <NameInput
        label="Another option"
        placeholder="another option: relays at the lamps"
        value={name}
        onChange={setName}
        onEnter={begin}
        style={{ width: 280 }}
      />
      <Button size="small" disabled={!isReady} onClick={begin}>
        Build it
      </Button>
      <Button
        size="small"
        onClick={() =>
          commit(`Work on ${standing}`, (now) => {
            const edit = new Edit(now);
            workApart(edit, choice.id);
            return edit.change;
          })
        }
      >
        Work on ‘{standing}’ alone
      </Button>
      <p className={shared.soft}>
        Built, it begins as the design is, and what you change is its own until you say that it is done. Ways to switch can be kept as
        options where they are tried. Otherwise an edit is in all options.
      </p>
      {refusal}
    </div>
  );
}

function optionName(design: Design, id: string): string {
  const option = design.records.get(id);
  return option?.type === 'option' ? option.name : '';
}
