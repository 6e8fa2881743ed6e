'use client';

import { Button, Select } from 'antd';
import { Download } from 'lucide-react';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import { CUT_OUT_IDS, CUT_OUTS, EDGE_MM, type CutOut, type CutOutId } from '@/core/catalog/cutOuts';
import { setting, updateRecords } from '@/core/design/change';
import { recordOf, recordsOf } from '@/core/design/design';
import { nameOf } from '@/core/design/names';
import type { Panel, PanelPart } from '@/core/design/schema';
import { PILOT_MM } from '@/core/formats/panelTemplate';
import { cutPanel, usualCutOut, type Hole, type PanelCut } from '@/core/harness/panelFace';
import { formatSmallLength } from '@/core/units/quantity';
import { useDesign, useUnits } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { useViewQuery } from '@/features/design/useViewQuery';
import { QuantityField } from '@/ui/QuantityField';
import { Table } from '@/ui/Table';
import { PanelFaceEditor } from './PanelFaceEditor';
import shared from './Harness.module.css';
import styles from './PanelCut.module.css';

/** Panels as things to cut: outline, holes, bezels, legends, and the template at full size. */
export function PanelCutView({ openAt }: { openAt: string | null }) {
  const designId = useDesign((state) => state.id);
  const design = useDesign((state) => state.design);
  const panels = useMemo(() => recordsOf(design, 'panel').filter(({ use }) => use === 'panel' || use === 'dash'), [design]);
  // Opened at a panel, or at what sits in one.
  const [wanted, setWanted] = useState(() => recordOf(design, openAt, 'panelPart')?.panelId ?? openAt);
  const panel = panels.find(({ id }) => id === wanted) ?? panels[0];
  const cut = useMemo(() => (panel ? cutPanel(design, panel) : null), [design, panel]);
  if (!panel || !cut) {
    return (
      <div className={shared.view}>
        <p className={shared.soft}>
          No panel yet. In <Link href={`/d/${designId}/switching`}>Switching</Link> switches are put into panels; here they are cut.
        </p>
      </div>
    );
  }
  return (
    <div className={shared.view} role="region" aria-label="Panel to cut" tabIndex={0}>
      <Bar cut={cut} panels={panels} onChoose={setWanted} />
      <div className={styles.sides}>
        <PanelFaceEditor key={panel.id} cut={cut} />
        <Holes cut={cut} />
      </div>
    </div>
  );
}

function Bar({
  cut: { panel, widthMm, heightMm },
  panels,
  onChoose,
}: {
  cut: PanelCut;
  panels: readonly Panel[];
  onChoose(id: string): void;
}) {
  const id = useDesign((state) => state.id);
  const viewQuery = useViewQuery();
  const { commit, refusal } = useRefusal();
  const set = (label: string, fields: Partial<{ [K in keyof Panel]: Panel[K] | undefined }>) =>
    commit(label, (now) => updateRecords(now, [setting(panel, fields)]));
  const file = (ending: string) => `/api/designs/${id}/panel.${ending}${viewQuery}${viewQuery ? '&' : '?'}panel=${panel.id}`;
  return (
    <div className={styles.bar}>
      <Select
        size="small"
        aria-label="Panel"
        value={panel.id}
        style={{ width: 200 }}
        onChange={onChoose}
        options={panels.map(({ id: value, name }) => ({ value, label: name }))}
      />
      <FaceMm label={'Width of the panel'} mm={widthMm} least={20} onCommit={(mm) => set('Width of a panel', { widthMm: mm })} />
      ×
      <FaceMm label={'Height of the panel'} mm={heightMm} least={20} onCommit={(mm) => set('Height of a panel', { heightMm: mm })} />
      {(panel.widthMm !== undefined || panel.heightMm !== undefined) && (
        <Button size="small" onClick={() => set('A panel as large as it asks for', { widthMm: undefined, heightMm: undefined })}>
          As large as it asks for
        </Button>
      )}
      <span>in sight above</span>
      {panel.sightMm === undefined ? (
        <Button
          size="small"
          title="How far up from its lower edge it may stand"
          onClick={() => set('A line of sight', { sightMm: heightMm })}
        >
          not said
        </Button>
      ) : (
        <>
          <FaceMm
            label="Line of sight above its lower edge"
            mm={panel.sightMm}
            onCommit={(mm) => set('A line of sight', { sightMm: mm })}
          />
          <Button size="small" onClick={() => set('No line of sight', { sightMm: undefined })}>
            none
          </Button>
        </>
      )}
      <span className={styles.files}>
        {['pdf', 'svg', 'dxf'].map((ending) => (
          <Button key={ending} size="small" icon={<Download size={14} />} href={file(ending)}>
            {ending === 'pdf' ? 'Template, PDF 1:1' : ending.toUpperCase()}
          </Button>
        ))}
      </span>
      {refusal}
    </div>
  );
}

function holeWords(hole: CutOut['hole']): string {
  return `${hole.kind === 'round' ? `⌀ ${hole.diameterMm}` : `${hole.widthMm} × ${hole.heightMm}`} mm`;
}

/** How deep a part with its plug stands behind the panel, mm. */
function behindMm({ cutOutId }: Hole): number {
  const { depthMm, plugMm } = CUT_OUTS[cutOutId];
  return depthMm + plugMm;
}

/** The hole schedule: what is drilled where, and with what. */
function Holes({ cut }: { cut: PanelCut }) {
  const design = useDesign((state) => state.design);
  const units = useUnits();
  const { commit, refusal } = useRefusal();
  const depth = useDesign(({ analysis }) => analysis.index.layout.places.get(cut.panel.placeId ?? '')?.depthMm ?? null);
  const set = (part: PanelPart, label: string, fields: Partial<{ [K in keyof PanelPart]: PanelPart[K] | undefined }>) =>
    commit(label, (now) => updateRecords(now, [setting(part, fields)]));
  const usualOf = ({ deviceId }: PanelPart) => usualCutOut(recordOf(design, deviceId, 'device'));
  return (
    <div>
      {refusal}
      <Table
        columns={[
          { head: 'No.', as: 'name', cell: ({ position }) => position },
          { head: 'Legend', look: styles.words, cell: ({ legend }) => legend },
          {
            head: 'Cut-out',
            cell: ({ position, part, legend, cutOutId }) => (
              <Select<CutOutId>
                size="small"
                aria-label={`Cut-out of position ${position}`}
                value={cutOutId}
                style={{ width: 168 }}
                options={CUT_OUT_IDS.map((value) => ({ value, label: CUT_OUTS[value].word }))}
                onChange={(cutOut) => set(part, `Cut-out of ${legend}`, { cutOut: cutOut === usualOf(part) ? undefined : cutOut })}
              />
            ),
          },
          {
            head: 'From the left',
            cell: ({ position, part, legend, xMm, yMm }) => (
              <FaceMm
                label={`Position ${position}, from the left`}
                mm={xMm}
                least={0}
                onCommit={(mm) => set(part, `Move ${legend}`, { xMm: mm, yMm })}
              />
            ),
          },
          {
            head: 'From the top',
            cell: ({ position, part, legend, xMm, yMm }) => (
              <FaceMm
                label={`Position ${position}, from the top`}
                mm={yMm}
                least={0}
                onCommit={(mm) => set(part, `Move ${legend}`, { yMm: mm, xMm })}
              />
            ),
          },
          { head: 'Hole', as: 'figure', cell: ({ cutOutId }) => holeWords(CUT_OUTS[cutOutId].hole) },
          {
            head: 'Behind',
            as: 'figure',
            look: (hole) => (depth !== null && behindMm(hole) > depth ? styles.deep : undefined),
            cell: (hole) => (
              <>
                {formatSmallLength(behindMm(hole), units)}
                {hole.isMoved && (
                  <Button
                    size="small"
                    type="link"
                    onClick={() => set(hole.part, `${hole.legend} back in line`, { xMm: undefined, yMm: undefined })}
                  >
                    in line
                  </Button>
                )}
              </>
            ),
          },
        ]}
        rows={cut.holes}
        keyOf={({ position }) => position}
        isNarrow
        className={styles.holes}
      />
      <ul className={styles.notes}>
        {cut.nearEdge.map((position) => (
          <li key={position} className={styles.deep}>
            Position {position}: its hole is nearer than {EDGE_MM} mm to the edge.
          </li>
        ))}
        {cut.tooClose.map(([one, other]) => (
          <li key={`${one} ${other}`} className={styles.deep}>
            Positions {one} and {other} lie over each other or leave too thin a web.
          </li>
        ))}
        {depth === null ? (
          <li>
            Nobody has said how much room there is behind {nameOf(design, cut.panel.placeId ?? undefined) || 'it'}: look before cutting.
          </li>
        ) : (
          <li>
            Behind it are {formatSmallLength(depth, units)}; body and plug of each are told above, its wires want to bend beyond that.
          </li>
        )}
        <li>
          Round holes: a {PILOT_MM} mm pilot at the middle, then the saw from the front. Square ones: a {PILOT_MM} mm drill in each corner,
          saw or file to the line. Deburr both sides. Battery isolated, and know what lies behind.
        </li>
      </ul>
    </div>
  );
}

/** A distance on a panel: tenths of a millimetre, or hundredths of an inch. */
function FaceMm({ label, mm, least = 0, onCommit }: { label: string; mm: number; least?: number; onCommit(mm: number): void }) {
  const unitMm = useUnits() === 'metric' ? 1 : 25.4;
  return (
    <QuantityField
      label={label}
      value={mm / unitMm}
      decimals={unitMm === 1 ? 1 : 2}
      unit={unitMm === 1 ? 'mm' : 'in'}
      least={least / unitMm}
      most={2000 / unitMm}
      width={88}
      onCommit={(value) => onCommit(Math.round(value * unitMm * 10) / 10)}
    />
  );
}
