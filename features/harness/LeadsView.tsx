'use client';

import { Button, Checkbox, Select } from 'antd';
import { Printer, Trash2 } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { lookWords } from '@/core/catalog/wireColours';
import { setting, updateRecords } from '@/core/design/change';
import { recordOf, recordsOf } from '@/core/design/design';
import { Edit } from '@/core/design/edit';
import { nameOf } from '@/core/design/names';
import type { Device, Lead } from '@/core/design/schema';
import { kindOf } from '@/core/devices';
import { addLeads, readLeads, setClaim, USUAL_SOURCE } from '@/core/harness/editLeads';
import { leadsOf, proofOf, type LeadUse } from '@/core/harness/leads';
import type { Harness } from '@/core/harness/schedule';
import { leadRefusalWords, proofWords, STANDING_WORDS } from '@/core/wording/leadWords';
import { terminalName } from '@/core/wording/terminalNames';
import { useDesign } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { Table, type Column } from '@/ui/Table';
import { Input } from '@/ui/Input';
import { SleeveSelect } from './CablesView';
import { Kits } from './KitsList';
import { swatchOf } from './scheduleColumns';
import shared from './Harness.module.css';
import styles from './Cables.module.css';

type Commit = ReturnType<typeof useRefusal>['commit'];

/**
 * What parts come with: their leads by colour, what is said of each and what a meter proved, which of our wires each meets, and the kits
 * they came in.
 */
export function LeadsView({ harness, openAt }: { harness: Harness; openAt: string | null }) {
  const design = useDesign((state) => state.design);
  const index = useDesign(({ analysis }) => analysis.index);
  const { commit, refusal } = useRefusal();
  const uses = useMemo(() => leadsOf(recordsOf(design, 'lead'), index, harness), [design, index, harness]);
  const kits = recordsOf(design, 'kit');
  const cards = useRef<HTMLDivElement>(null);
  const [openDevice] = useState(() => recordOf(design, openAt, 'lead')?.deviceId ?? openAt);
  useEffect(() => {
    if (openDevice !== null)
      cards.current?.querySelector(`[data-device="${CSS.escape(openDevice)}"]`)?.scrollIntoView({ block: 'nearest' });
  }, [openDevice]);
  return (
    <div className={shared.view} role="region" aria-label="Leads and kits" tabIndex={0}>
      <AddLeads onCommit={commit} />
      {refusal}
      {uses.size === 0 && (
        <p className={shared.soft}>
          Parts with leads of their own, a dimmer, a radio, a lamp, have them in their maker’s colours. Listed here, each says what it is
          taken for, how a meter proves it before it is joined, and which of our wires it meets: by what it does, never by its colour.
        </p>
      )}
      <div ref={cards} className={`${styles.cards} ${styles.wide}`}>
        {Array.from(uses, ([deviceId, list]) => (
          <LeadCard key={deviceId} device={index.devices.get(deviceId)!} uses={list} harness={harness} onCommit={commit} />
        ))}
      </div>
      <Kits kits={kits} onCommit={commit} />
    </div>
  );
}

function AddLeads({ onCommit }: { onCommit: Commit }) {
  const index = useDesign(({ analysis }) => analysis.index);
  const [deviceId, setDeviceId] = useState<string | null>(null);
  const [text, setText] = useState('');
  const [why, setWhy] = useState<string | null>(null);
  const device = deviceId === null ? undefined : index.devices.get(deviceId);
  const options = Array.from(index.devices.values())
    .filter((one) => kindOf(one).terminals(one).length > 1 || one.kind === 'load')
    .map(({ id, name }) => ({ value: id, label: name }));
  const add = () => {
    if (!device) return setWhy('choose the part they belong to');
    const listed = readLeads(device, text, (terminal) => terminalName(device, terminal));
    if ('why' in listed) return setWhy(leadRefusalWords(device, listed));
    setWhy(null);
    setText('');
    onCommit(`Leads of ${device.name}`, (now) => {
      const edit = new Edit(now);
      addLeads(edit, device, listed);
      return edit.change;
    });
  };
  return (
    <div className={styles.bar}>
      <Select
        size="small"
        showSearch
        aria-label="Part with leads"
        placeholder="a part with leads"
        value={deviceId}
        style={{ width: 230 }}
        optionFilterProp="label"
        options={options}
        onChange={(id) => {
          setDeviceId(id);
          setWhy(null);
        }}
      />
      <Input
        size="small"
        aria-label="Its leads"
        placeholder="red plus, black minus, yellow out"
        title="Colour and terminal, one lead after another; a colour alone: not known what it is"
        value={text}
        style={{ width: 300 }}
        {...(why && { status: 'error' as const })}
        onChange={({ target }) => setText(target.value)}
        onPressEnter={add}
      />
      <Button size="small" onClick={add}>
        Add leads
      </Button>
      {why && <span role="alert">{why}</span>}
      <Button size="small" icon={<Printer size={14} />} onClick={() => window.print()}>
        Print
      </Button>
    </div>
  );
}

interface LeadCardProps {
  device: Device;
  uses: readonly LeadUse[];
  harness: Harness;
  onCommit: Commit;
}

function LeadCard({ device, uses, onCommit }: LeadCardProps) {
  const sources = [...new Set([USUAL_SOURCE, ...uses.flatMap(({ lead }) => lead.says.map(({ by }) => by))])];
  const [more, setMore] = useState<string[]>([]);
  const [typed, setTyped] = useState('');
  const columns = [...new Set([...sources, ...more])];
  return (
    <section className={styles.card} aria-label={`Leads of ${device.name}`} data-device={device.id}>
      <h3>
        {device.name}
        <span>{kindOf(device).label}</span>
        <Input
          size="small"
          disabled={columns.length >= MOST_SOURCES}
          aria-label={`Another source for ${device.name}`}
          placeholder="another source says …"
          value={typed}
          maxLength={40}
          style={{ width: 160 }}
          onChange={({ target }) => setTyped(target.value)}
          onPressEnter={() => {
            if (typed.trim()) setMore([...more, typed.trim()]);
            setTyped('');
          }}
        />
      </h3>
      <Table
        columns={[
          {
            head: 'Lead',
            as: 'name',
            cell: ({ lead }) => (
              <>
                <i aria-hidden className={shared.swatch} style={{ background: swatchOf(lead) }} />
                {lookWords(lead)}
              </>
            ),
          },
          ...columns.map((by): Column<LeadUse> => ({
            head: `${by} says`,
            cell: ({ lead }) => (
              <TerminalSelect
                label={`${by} says of ${leadName(device, lead)}`}
                empty="nothing said"
                device={device}
                value={lead.says.find((claim) => claim.by === by)?.terminal}
                onChange={(said) => onCommit(`What ${leadName(device, lead)} is`, (now) => claimed(now, lead, by, said))}
              />
            ),
          })),
          {
            head: 'Proved',
            cell: ({ lead }) => (
              <TerminalSelect
                label={`Proved of ${leadName(device, lead)}`}
                empty="not yet"
                device={device}
                value={lead.proved}
                onChange={(proved) =>
                  onCommit(`Proved: ${leadName(device, lead)}`, (now) => updateRecords(now, [setting(lead, { proved })]))
                }
              />
            ),
          },
          { head: 'Meets', look: styles.meets, cell: (use) => <Meets use={use} name={leadName(device, use.lead)} onCommit={onCommit} /> },
          {
            head: 'Sleeve',
            cell: ({ lead, misleads }) => (
              <SleeveSelect
                label={`Sleeve over ${leadName(device, lead)}`}
                needed={misleads !== null}
                value={lead.sleeve}
                onChange={(sleeve) =>
                  onCommit(`Sleeve over ${leadName(device, lead)}`, (now) => updateRecords(now, [setting(lead, { sleeve })]))
                }
              />
            ),
          },
          {
            label: 'Remove',
            cell: ({ lead }) => (
              <Button
                size="small"
                aria-label={`Remove ${leadName(device, lead)}`}
                icon={<Trash2 size={14} />}
                onClick={() =>
                  onCommit(`Remove ${leadName(device, lead)}`, (now) => {
                    const edit = new Edit(now);
                    edit.remove(lead.id);
                    return edit.change;
                  })
                }
              />
            ),
          },
        ]}
        rows={uses}
        keyOf={({ lead }) => lead.id}
        beneath={(use) => howToProve(device, use)}
        beneathLook={styles.how}
      />
    </section>
  );
}

/** As many as a lead keeps. */
const MOST_SOURCES = 4;

/** What a lead may be, as the answers of a list. */
const NOTHING = '-';

const leadName = (device: Device, lead: Lead) => `the ${lookWords(lead)} lead of ${device.name}`;

/** What to do so that it is known; nothing where it is, or where nobody says what it might be. */
function howToProve(device: Device, { lead, standing, terminal }: LeadUse): string | null {
  const asked = terminal ?? lead.says.find((claim) => claim.terminal !== null)?.terminal ?? null;
  const proof = standing === 'proved' || asked === null ? null : proofOf(device, asked);
  return proof && `To prove it: ${proofWords(device, proof)}`;
}

interface MeetsProps {
  use: LeadUse;
  name: string;
  onCommit: Commit;
}

/** The wires a lead meets; where there are none whether its end is capped. */
function Meets({ use: { lead, standing, meets }, name, onCommit }: MeetsProps) {
  const design = useDesign((state) => state.design);
  return (
    <>
      {meets.length === 0 && STANDING_WORDS[standing]}
      {(meets.length === 0 || lead.capped) && (
        <Checkbox
          className={styles.capped!}
          checked={lead.capped === true}
          aria-label={`Cap on ${name}`}
          onChange={({ target }) =>
            onCommit(`Cap on ${name}`, (now) => updateRecords(now, [setting(lead, { capped: target.checked || undefined })]))
          }
        >
          capped
        </Checkbox>
      )}
      {meets.map(({ number, wire }) => `${number} ${nameOf(design, wire.id)}`).join(', ')}
    </>
  );
}

function claimed(design: Parameters<Parameters<Commit>[1]>[0], lead: Lead, by: string, terminal: string | null | undefined) {
  const edit = new Edit(design);
  const now = design.records.get(lead.id);
  if (now?.type === 'lead') setClaim(edit, now, by, terminal);
  return edit.change;
}

interface TerminalSelectProps {
  label: string;
  empty: string;
  device: Device;
  value: string | null | undefined;
  onChange(terminal: string | null | undefined): void;
}

function TerminalSelect({ label, empty, device, value, onChange }: TerminalSelectProps) {
  const terminals = kindOf(device).terminals(device);
  return (
    <Select<string>
      size="small"
      allowClear
      showSearch
      optionFilterProp="label"
      aria-label={label}
      placeholder={empty}
      value={value === null ? NOTHING : value}
      style={{ width: 116 }}
      popupMatchSelectWidth={150}
      options={[...terminals.map((one) => ({ value: one, label: terminalName(device, one) })), { value: NOTHING, label: 'not used' }]}
      onChange={(chosen: string | undefined) => onChange(chosen === NOTHING ? null : chosen)}
    />
  );
}
