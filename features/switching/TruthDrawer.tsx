'use client';

import { Button, Drawer, Select } from 'antd';
import { useState } from 'react';
import { MOST_ROWS, type GroupTruth } from '@/core/bench/truth';
import { nameOf } from '@/core/design/names';
import { isLamp } from '@/core/devices/load';
import { writeTruthCsv } from '@/core/formats/truthCsv';
import { disagreeingFirst, disagrees, groupTruthRows, inputWords, truthHeads } from '@/core/wording/benchWords';
import { useDesign } from '@/features/design/DesignProvider';
import { saveFile } from '@/ui/saveFile';
import { Table, type Column } from '@/ui/Table';
import { useSwitchingAnswer } from './useSwitchingAnswer';
import drawer from '@/ui/Drawer.module.css';
import styles from './TruthDrawer.module.css';

/** Loads shown beside the one that was asked for. */
const MOST_BESIDE = 5;

/** When a load is lit, or several beside each other: every way that what influences them may stand, and what is wished then. */
export function TruthDrawer({ loadId, onClose }: { loadId: string; onClose(): void }) {
  const design = useDesign((state) => state.design);
  const loads = useDesign(({ analysis }) => analysis.index.loads);
  const lamp = loads.some((load) => load.id === loadId && isLamp(load));
  const [others, setOthers] = useState<string[]>([]);
  const loadIds = [loadId, ...others.filter((id) => loads.some((load) => load.id === id))];
  const { answer } = useSwitchingAnswer({ ask: 'truth', loadIds });
  return (
    <Drawer
      open
      title={`${lamp ? 'When is it lit?' : 'When has it power?'} ${nameOf(design, loadId)}`}
      placement="right"
      size={others.length > 0 ? 760 : 560}
      onClose={onClose}
      mask={false}
      rootClassName={drawer.root}
    >
      <Select
        mode="multiple"
        className={styles.others}
        aria-label="Beside it"
        placeholder="Other loads beside it, as the colours of a lamp"
        value={others}
        maxCount={MOST_BESIDE}
        options={loads.filter(({ id }) => id !== loadId).map(({ id, name }) => ({ value: id, label: name }))}
        showSearch={{ optionFilterProp: 'label' }}
        onChange={setOthers}
      />
      {answer === null ? (
        <p role="status">Every way is tried…</p>
      ) : 'truth' in answer ? (
        <Ways truth={answer.truth} loadIds={loadIds} does={lamp ? 'Lit' : 'Power'} />
      ) : (
        <p>
          {'problem' in answer
            ? answer.problem
            : 'tooMany' in answer && `Their controls may stand in ${answer.tooMany} ways; ${MOST_ROWS} are the most that are tried.`}
        </p>
      )}
    </Drawer>
  );
}

function Ways({ truth, loadIds, does }: { truth: GroupTruth; loadIds: readonly string[]; does: 'Lit' | 'Power' }) {
  const design = useDesign((state) => state.design);
  const { inputs, rows, doesNotMatter } = truth;
  const [heads, ...lines] = groupTruthRows(design, truth, truthHeads(design, loadIds, does));
  const idle = doesNotMatter.map((input) => inputWords(design, input).name);
  const wrong = rows.filter((row) => row.does.some(disagrees)).length;
  const isOne = loadIds.length === 1;
  const lit = rows.filter((row) => row.does.some(({ on }) => on)).length;
  if (inputs.length === 0 && isOne) {
    return (
      <p>
        {lit > 0 ? 'It always has power: nothing one moves in use switches it.' : 'Nothing one moves in use gives it power.'}
        {idle.length > 0 && ` Does not matter: ${idle.join(', ')}.`}
      </p>
    );
  }
  return (
    <>
      <p>
        {isOne ? does : 'One of them at least has power'} in {lit} of {rows.length} ways. Each is reached from rest.
        {wrong > 0 && ` In ${wrong} it is not as wished, or nobody knows what is: those are first.`}
      </p>
      <div className={styles.scroll}>
        <Table
          className={styles.table}
          columns={heads!.map((head, column): Column<(typeof rows)[number]> => ({ head, cell: (_, at) => lines[at]![column] }))}
          rows={disagreeingFirst(rows)}
          keyOf={({ positions }) => positions.join()}
          lookOf={(row) => `${row.does.some(({ on }) => on) ? styles.lit : ''} ${row.does.some(disagrees) ? styles.wrong : ''}`}
        />
      </div>
      {idle.length > 0 && <p className={styles.idle}>Does not matter: {idle.join(', ')}.</p>}
      <Button
        size="small"
        onClick={() => saveFile(`${nameOf(design, loadIds[0]!)}.csv`, writeTruthCsv(design, truth, loadIds), 'text/csv')}
      >
        Save as CSV
      </Button>
    </>
  );
}
