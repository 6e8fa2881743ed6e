'use client';

import { Button, Select } from 'antd';
import Link from 'next/link';
import { Download, Lightbulb, Maximize, Printer, ZoomIn, ZoomOut } from 'lucide-react';
import { useCallback, useMemo, useRef, useState } from 'react';
import { sheetsOf } from '@/core/diagram/drawing';
import { writeDiagramSvg } from '@/core/diagram/writeSvg';
import type { Point } from '@/core/diagram/layout';
import { letDraw, putPart } from '@/core/diagram/movedByHand';
import { recordsOf } from '@/core/design/design';
import { Edit } from '@/core/design/edit';
import { nameOf } from '@/core/design/names';
import type { Harness } from '@/core/harness/schedule';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { useViewQuery } from '@/features/design/useViewQuery';
import { useJump } from '@/features/workspace/useJump';
import { saveFile } from '@/ui/saveFile';
import { Input } from '@/ui/Input';
import { DiagramSheet } from './DiagramSheet';
import { useDrawings } from './useDrawings';
import { useLitDiagram } from './useLitDiagram';
import styles from './Diagram.module.css';

const ALL = 'all';

/** The diagram of a circuit, of what circuits share, or of all of it sheet by sheet: it draws itself from the wires. */
export function DiagramView({ harness }: { harness: Harness }) {
  const id = useDesign((state) => state.id);
  const viewQuery = useViewQuery();
  const design = useDesign((state) => state.design);
  const index = useDesign(({ analysis }) => analysis.index);
  const jump = useJump();
  const sheets = useMemo(() => sheetsOf(index, harness), [index, harness]);
  const [wanted, setWanted] = useState<string>(ALL);
  const chosen = wanted === ALL || sheets.some((sheet) => keyOf(sheet) === wanted) ? wanted : ALL;
  const shown = useMemo(() => sheets.filter((sheet) => chosen === ALL || keyOf(sheet) === chosen), [sheets, chosen]);
  const store = useDesignStore();
  const analysis = useDesign((state) => state.analysis);
  const drawable = useMemo(
    () => ({ design: analysis.design, index: analysis.index, wiring: analysis.wiring, harness }),
    [analysis, harness],
  );
  const failed = useCallback(
    () =>
      store.report(
        'The diagram could not be drawn: a part of the program could not be fetched, or it failed. Show it again once there is a connection.',
      ),
    [store],
  );
  const { drawings, done } = useDrawings(drawable, shown, failed);
  const [scale, setScale] = useState(1);
  const [find, setFind] = useState('');
  const [isLit, setLit] = useState(false);
  const lit = useLitDiagram(isLit);
  const words = useMemo(() => find.toLowerCase().split(/\s+/).filter(Boolean), [find]); // prettier-ignore
  const { commit, refusal } = useRefusal();
  const byHand = useMemo(() => recordsOf(design, 'drawn'), [design]);
  const putOn = (sheetId: string) => byHand.filter(({ circuitId }) => circuitId === circuitOf(sheetId)).length;
  const put = useCallback(
    (sheetId: string, partId: string, at: Point) =>
      commit('Move a part in the diagram', (now) => {
        const edit = new Edit(now);
        putPart(edit, { circuitId: circuitOf(sheetId), partId }, at);
        return edit.change;
      }),
    [commit],
  );
  const letGo = useCallback(
    (sheetId: string) =>
      commit('Let a sheet draw itself', (now) => {
        const edit = new Edit(now);
        letDraw(edit, circuitOf(sheetId));
        return edit.change;
      }),
    [commit],
  );
  const sheetsAt = useRef<HTMLDivElement>(null);
  const query = chosen === ALL ? viewQuery : `${viewQuery}${viewQuery ? '&' : '?'}sheet=${chosen}`;
  return (
    <div className={styles.view}>
      <div className={styles.bar}>
        <Select
          size="small"
          showSearch
          optionFilterProp="label"
          aria-label="Sheet"
          value={chosen}
          style={{ width: 260 }}
          onChange={setWanted}
          options={[
            { value: ALL, label: `all ${sheets.length} sheets` },
            ...sheets.map((sheet) => ({
              value: keyOf(sheet),
              label: sheet === 'shared' ? 'what circuits share' : nameOf(design, sheet.circuitId),
            })),
          ]}
        />
        <Input
          size="small"
          allowClear
          aria-label="Find in the diagram"
          placeholder="find: pump, 06b"
          value={find}
          style={{ width: 160 }}
          onChange={({ target }) => setFind(target.value)}
          onPressEnter={() => sheetsAt.current?.querySelector('[data-found="true"]')?.scrollIntoView({ block: 'center', inline: 'center' })}
        />
        <Button
          size="small"
          icon={<Lightbulb size={14} />}
          type={isLit ? 'primary' : 'default'}
          aria-pressed={isLit}
          onClick={() => setLit(!isLit)}
        >
          Lit as on the bench
        </Button>
        <span role="group" aria-label="Size of the drawing" className={styles.zoom}>
          <Button
            size="small"
            aria-label="Smaller"
            icon={<ZoomOut size={14} />}
            onClick={() => setScale((now) => Math.max(0.4, now / 1.25))}
          />
          <Button size="small" aria-label="As wide as the page" icon={<Maximize size={14} />} onClick={() => setScale(1)} />
          <Button size="small" aria-label="Larger" icon={<ZoomIn size={14} />} onClick={() => setScale((now) => Math.min(4, now * 1.25))} />
        </span>
        <Button
          size="small"
          icon={<Download size={14} />}
          disabled={drawings.length === 0}
          onClick={() => saveFile('diagram.svg', writeDiagramSvg(drawings), 'image/svg+xml')}
        >
          SVG
        </Button>
        <Button size="small" icon={<Download size={14} />} href={`/api/designs/${id}/diagram.pdf${query}`}>
          PDF
        </Button>
        <Button size="small" icon={<Download size={14} />} href={`/api/designs/${id}/diagram.dxf${query}`}>
          DXF
        </Button>
        <Button size="small" icon={<Printer size={14} />} onClick={() => window.print()}>
          Print
        </Button>
        {done < 1 && (
          <span role="status" className={styles.soft}>
            Drawing: {Math.round(done * 100)} %
          </span>
        )}
      </div>
      {refusal}
      {lit && (
        <p className={styles.lit} role="status" aria-label="As on the bench">
          {lit.says} <Link href={`/d/${id}/switching`}>Flick switches in Switching</Link>
        </p>
      )}
      <div ref={sheetsAt} className={styles.sheets} role="region" aria-label="Diagram" tabIndex={0}>
        {drawings.map((drawing) => (
          <DiagramSheet
            key={drawing.id}
            drawing={drawing}
            scale={scale}
            find={words}
            lit={lit?.diagram ?? null}
            onGo={jump}
            putCount={putOn(drawing.id)}
            onPut={put}
            onLetDraw={letGo}
          />
        ))}
      </div>
    </div>
  );
}

/** The circuit a sheet is of. */
const circuitOf = (sheetId: string) => (sheetId === SHARED ? null : sheetId);
const SHARED = 'shared';

const keyOf = (sheet: ReturnType<typeof sheetsOf>[number]) => (sheet === 'shared' ? 'shared' : sheet.circuitId);
