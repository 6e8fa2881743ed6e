'use client';

import { Button, Drawer } from 'antd';
import { MOST_ROWS, type Truth } from '@/core/bench/truth';
import { nameOf } from '@/core/design/names';
import { isLamp } from '@/core/devices/load';
import { writeTruthCsv } from '@/core/formats/truthCsv';
import { disagrees, inDisagreementFirst, inputWords, truthRows } from '@/core/wording/benchWords';
import { useDesign } from '@/features/design/DesignProvider';
import { saveFile } from '@/ui/saveFile';
import { useSwitchingAnswer } from './useSwitchingAnswer';
import drawer from '@/ui/Drawer.module.css';
import styles from './TruthDrawer.module.css';

/** When a load is lit: every way that what influences it may stand, and what is wished then. */
export function TruthDrawer({ loadId, onClose }: { loadId: string; onClose(): void }) {
  const design = useDesign((state) => state.design);
  const lamp = useDesign(({ analysis }) => analysis.index.loads.some((load) => load.id === loadId && isLamp(load)));
  const { answer } = useSwitchingAnswer({ ask: 'truth', loadId });
  return (
    <Drawer
      open
      title={`${lamp ? 'When is it lit?' : 'When has it power?'} ${nameOf(design, loadId)}`}
      placement="right"
      size={560}
      onClose={onClose}
      mask={false}
      rootClassName={drawer.root}
    >
      {answer === null ? (
        <p role="status">Every way is tried…</p>
      ) : 'truth' in answer ? (
        <Table truth={answer.truth} name={nameOf(design, loadId)} does={lamp ? 'Lit' : 'Power'} />
      ) : (
        <p>
          {'problem' in answer
            ? answer.problem
            : 'tooMany' in answer && `Its controls may stand in ${answer.tooMany} ways; ${MOST_ROWS} are the most that are tried.`}
        </p>
      )}
    </Drawer>
  );
}

function Table({ truth, name, does }: { truth: Truth; name: string; does: 'Lit' | 'Power' }) {
  const design = useDesign((state) => state.design);
  const { inputs, rows, doesNotMatter } = truth;
  const [heads, ...lines] = truthRows(design, truth, does);
  const idle = doesNotMatter.map((input) => inputWords(design, input).name);
  const lit = rows.filter(({ on }) => on).length;
  const wrong = rows.filter(disagrees).length;
  if (inputs.length === 0) {
    return (
      <p>
        {rows[0]?.on ? 'It always has power: nothing one moves in use switches it.' : 'Nothing one moves in use gives it power.'}
        {idle.length > 0 && ` Does not matter: ${idle.join(', ')}.`}
      </p>
    );
  }
  return (
    <>
      <p>
        {does} in {lit} of {rows.length} ways. Each is reached from rest.
        {wrong > 0 && ` In ${wrong} it is not as wished, or nobody knows what is: those are first.`}
      </p>
      <table className={styles.table}>
        <thead>
          <tr>
            {heads!.map((head, column) => (
              <th key={column} scope="col">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {inDisagreementFirst(rows).map((row, at) => (
            <tr key={row.positions.join()} className={`${row.on ? styles.lit : ''} ${disagrees(row) ? styles.wrong : ''}`}>
              {lines[at]!.map((cell, column) => (
                <td key={column}>{cell}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {idle.length > 0 && <p className={styles.idle}>Does not matter: {idle.join(', ')}.</p>}
      <Button size="small" onClick={() => saveFile(`${name}.csv`, writeTruthCsv(design, truth), 'text/csv')}>
        Save as CSV
      </Button>
    </>
  );
}
