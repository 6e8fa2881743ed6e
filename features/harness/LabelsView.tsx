'use client';

import { Button, Checkbox, Segmented, Select } from 'antd';
import { Download } from 'lucide-react';
import { useMemo, useState } from 'react';
import { LABEL_SHEET_IDS, LABEL_SHEETS, type LabelSheetId } from '@/core/catalog/labelSheets';
import { LABEL_KINDS, labelPages, labelsOf, type LabelKind } from '@/core/formats/labels';
import { useDesign, useUnits } from '@/features/design/DesignProvider';
import { useViewQuery } from '@/features/design/useViewQuery';
import { QuantityField } from '@/ui/QuantityField';
import { Input } from '@/ui/Input';
import shared from './Harness.module.css';
import styles from './PanelCut.module.css';

const KIND_WORDS: Record<LabelKind, string> = { wires: 'Wires', fuses: 'Fuses', switches: 'Switches' };

const isAddress = (text: string) => /^https?:\/\/[^\s/]+\/*$/.test(text) && text.length <= 80;

/** Labels for wires, fuses and switches on common sheets, as they will be printed. */
export function LabelsView() {
  const id = useDesign((state) => state.id);
  const analysis = useDesign((state) => state.analysis);
  const units = useUnits();
  const viewQuery = useViewQuery();
  const [kind, setKind] = useState<LabelKind>('wires');
  const [sheet, setSheet] = useState<LabelSheetId>(units === 'us' ? 'letter80' : 'a4x80');
  const [skip, setSkip] = useState(0);
  const [address, setAddress] = useState<string | null>(null);
  const labels = useMemo(() => labelsOf(analysis, kind), [analysis, kind]);
  const opens = address === null || !isAddress(address) ? undefined : `${address.replace(/\/+$/, '')}/d/${id}`;
  const pages = useMemo(() => labelPages(labels, sheet, skip, opens), [labels, sheet, skip, opens]);
  const perPage = LABEL_SHEETS[sheet].columns * LABEL_SHEETS[sheet].rows;
  const isOpen = kind === 'wires' && analysis.index.wires.some(({ number }) => number === undefined);
  const coded = opens ? `address=${encodeURIComponent(opens)}` : '';
  const query = `${viewQuery}${viewQuery ? '&' : '?'}what=${kind}&sheet=${sheet}&skip=${skip}${coded && `&${coded}`}`;
  const mapQuery = coded ? `${viewQuery}${viewQuery ? '&' : '?'}${coded}` : viewQuery;
  return (
    <div className={shared.view} role="region" aria-label="Labels" tabIndex={0}>
      <div className={styles.bar}>
        <Segmented<LabelKind>
          size="small"
          aria-label="What is labelled"
          value={kind}
          onChange={setKind}
          options={LABEL_KINDS.map((value) => ({ value, label: KIND_WORDS[value] }))}
        />
        <Select<LabelSheetId>
          size="small"
          aria-label="Sheet of labels"
          value={sheet}
          style={{ width: 230 }}
          onChange={setSheet}
          options={LABEL_SHEET_IDS.map((value) => ({ value, label: LABEL_SHEETS[value].word }))}
        />
        <span>used up already</span>
        <QuantityField
          label="Labels used up already"
          value={skip}
          decimals={0}
          unit=""
          least={0}
          most={perPage - 1}
          width={64}
          onCommit={(used) => setSkip(Math.round(used))}
        />
        <span>
          {labels.length} {labels.length === 1 ? 'label' : 'labels'} on {pages.length} {pages.length === 1 ? 'sheet' : 'sheets'}
        </span>
        <Checkbox checked={address !== null} onChange={({ target }) => setAddress(target.checked ? window.location.origin : null)}>
          square codes
        </Checkbox>
        {address !== null && (
          <Input
            size="small"
            aria-label="Address a phone finds this program at"
            title="The address a phone finds this program at; that of this machine in your network, not 127.0.0.1"
            value={address}
            style={{ width: 210 }}
            {...(!isAddress(address) && { status: 'error' as const })}
            onChange={({ target }) => setAddress(target.value)}
          />
        )}
        <span className={styles.files}>
          <Button size="small" icon={<Download size={14} />} disabled={labels.length === 0} href={`/api/designs/${id}/labels.pdf${query}`}>
            PDF
          </Button>
          <Button size="small" icon={<Download size={14} />} href={`/api/designs/${id}/fuse-map.pdf${mapQuery}`}>
            Fuse map for the lid
          </Button>
          <Button size="small" icon={<Download size={14} />} href={`/api/designs/${id}/labels.csv${query}`}>
            CSV for a label printer
          </Button>
        </span>
      </div>
      {address !== null && /127\.0\.0\.1|localhost/.test(address) && (
        <p className={styles.deep}>A phone does not find this program at {address}: write the address this machine has in your network.</p>
      )}
      {isOpen && <p className={styles.deep}>Some numbers are not fixed yet: an edit may still move them. Fix them before printing.</p>}
      {kind === 'switches' && labels.length === 0 && (
        <p className={shared.soft}>Switches are labelled by the panels they sit in; there is none yet.</p>
      )}
      <div className={styles.pages}>
        {pages.map((page, at) => (
          <div
            key={at}
            role="img"
            aria-label={`Sheet ${at + 1}`}
            className={styles.page}
            style={{
              aspectRatio: `${page.widthMm} / ${page.heightMm}`,
              backgroundImage: `url("data:image/svg+xml,${encodeURIComponent(page.svg)}")`,
            }}
          />
        ))}
      </div>
    </div>
  );
}
