import { Button, Segmented, Select } from 'antd';
import type { TerminalRef } from '@/core/design/schema';
import { pointKey } from '@/core/diagnosis/foresee';
import { LEAD_MODES, type LeadMode } from '@/core/practise/hunt';
import { MODE_WORDS, placeWords, type Labelled } from '@/core/practise/huntWords';
import styles from './Practise.module.css';

export type Lead = 'red' | 'black';

interface MeterPanelProps {
  board: Labelled;
  reachable: readonly TerminalRef[];
  mode: LeadMode;
  leads: { red: TerminalRef | null; black: TerminalRef };
  /** Which lead a click on the board puts. */
  inHand: Lead;
  display: string;
  onMode(mode: LeadMode): void;
  onLead(lead: Lead, at: TerminalRef): void;
  onInHand(lead: Lead): void;
  onRead(): void;
}

/** The meter: its range, where its leads are, and what it says. Red put down reads; black is put down first. */
export function MeterPanel({ board, reachable, mode, leads, inHand, display, onMode, onLead, onInHand, onRead }: MeterPanelProps) {
  const options = reachable.map((at) => ({ value: pointKey(at), label: placeWords(board, at) }));
  const put = (lead: Lead) => (key: string) => {
    const at = reachable.find((one) => pointKey(one) === key);
    if (at) onLead(lead, at);
  };
  return (
    <section aria-label="Meter" className={styles.meter}>
      <output className={styles.display} aria-live="polite" aria-label="The meter says">
        {display}
      </output>
      <Segmented<LeadMode>
        block
        size="small"
        aria-label="Range"
        value={mode}
        onChange={onMode}
        options={LEAD_MODES.map((value) => ({ value, label: MODE_WORDS[value] }))}
      />
      {(['red', 'black'] as const).map((lead) => (
        <label key={lead} className={styles.lead} data-lead={lead}>
          <span>{lead}</span>
          <Select
            showSearch
            size="small"
            optionFilterProp="label"
            aria-label={`${lead} lead on`}
            placeholder="not on anything"
            value={leads[lead] ? pointKey(leads[lead]) : undefined}
            options={options}
            onChange={put(lead)}
          />
        </label>
      ))}
      <div className={styles.reading}>
        <Segmented<Lead>
          size="small"
          aria-label="A click on the board puts"
          value={inHand}
          onChange={onInHand}
          options={[
            { value: 'red', label: 'clicks put red' },
            { value: 'black', label: 'clicks put black' },
          ]}
        />
        <Button size="small" disabled={!leads.red} onClick={onRead}>
          Read
        </Button>
      </div>
    </section>
  );
}
