'use client';

import { Button, Segmented } from 'antd';
import { Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { lookCode, lookWords } from '@/core/catalog/wireColours';
import { recordOf, recordsOf, type Design } from '@/core/design/design';
import { nameOf } from '@/core/design/names';
import { kindOf } from '@/core/devices';
import { standingOf } from '@/core/harness/leads';
import { pinCards, RELAY_BLADES, type PinCard } from '@/core/harness/pinCards';
import type { Harness } from '@/core/harness/schedule';
import { formatConductor } from '@/core/units/quantity';
import { endWords, halvesWords, pinWords, TAP_LEG_WORDS, TURN_WORDS } from '@/core/wording/harnessWords';
import { useDesign } from '@/features/design/DesignProvider';
import { ScrewsView } from './ScrewsView';
import { Table } from '@/ui/Table';
import { Input } from '@/ui/Input';
import { swatchOf } from './scheduleColumns';
import shared from './Harness.module.css';
import styles from './Pins.module.css';

/**
 * Pin cards: for every device its terminals seen from the wiring side, what lands on each and what is free; large enough to read lying on
 * one’s back.
 */
export function PinsView({ harness, openAt }: { harness: Harness; openAt: string | null }) {
  const design = useDesign((state) => state.design);
  const index = useDesign(({ analysis }) => analysis.index);
  const [find, setFind] = useState(() => recordOf(design, openAt, 'device')?.name ?? '');
  const [shownAs, setShownAs] = useState<'cards' | 'screws'>('cards');
  const cards = useMemo(() => pinCards(index, harness), [index, harness]);
  const shown = cards.filter(({ device }) =>
    matches(`${device.name} ${kindOf(device).label} ${nameOf(design, device.placeId ?? undefined)}`, find),
  );
  return (
    <div className={shared.view} role="region" aria-label="Pin cards" tabIndex={0}>
      <div className={styles.bar}>
        <Input
          size="small"
          allowClear
          aria-label="Find a device"
          placeholder="find: relay, hide panel"
          value={find}
          style={{ width: 220 }}
          onChange={({ target }) => setFind(target.value)}
        />
        <Segmented<'cards' | 'screws'>
          size="small"
          aria-label="How pins are shown"
          value={shownAs}
          onChange={setShownAs}
          options={[
            { value: 'cards', label: 'cards' },
            { value: 'screws', label: 'one screw at a time' },
          ]}
        />
        <span>Seen from the wiring side. Battery isolated, and each fuse out, before a hand goes in.</span>
        <Button size="small" icon={<Printer size={14} />} onClick={() => window.print()}>
          Print
        </Button>
      </div>
      {shownAs === 'screws' ? (
        <ScrewsView cards={shown} />
      ) : (
        <div className={styles.cards}>
          {shown.map((card) => (
            <Card key={card.device.id} card={card} />
          ))}
        </div>
      )}
      {shown.length === 0 && <p className={shared.soft}>No device is called so.</p>}
    </div>
  );
}

const matches = (text: string, find: string) => find.toLowerCase().split(/\s+/).every((word) => text.toLowerCase().includes(word)); // prettier-ignore

function Card({ card: { device, pins, turns, live } }: { card: PinCard }) {
  const design = useDesign((state) => state.design);
  const leads = leadsAt(design, device.id);
  return (
    <section className={styles.card} aria-label={device.name}>
      <h3>
        {device.name}
        <span>
          {kindOf(device).label}
          {device.placeId && `, ${nameOf(design, device.placeId)}`}
        </span>
      </h3>
      <div className={styles.body}>
        {device.kind === 'relay' && <RelayFace pins={device.pins} />}
        <Table
          columns={[
            {
              as: 'name',
              cell: ({ terminal, tap }) => (
                <>
                  {pinWords(device, terminal)}
                  {tap && <small>{TAP_LEG_WORDS[tap]}</small>}
                  {leads.get(terminal) && <small>{leads.get(terminal)}</small>}
                </>
              ),
            },
            {
              cell: ({ lands }) => (
                <>
                  {lands.length === 0 && <em>free</em>}
                  {lands.map(({ line, far }) => (
                    <div key={line.wire.id} className={styles.land}>
                      <b className="reading">{line.number}</b>
                      {line.look && <i aria-hidden className={shared.swatch} style={{ background: swatchOf(line.look) }} />}
                      <span>
                        {line.look && `${lookCode(line.look)} `}
                        {formatConductor(line.wire.conductor)}, to {nameOf(design, far.deviceId)}
                        <small>{endWords(line.from.deviceId === far.deviceId ? line.to.ending : line.from.ending)}</small>
                      </span>
                    </div>
                  ))}
                </>
              ),
            },
          ]}
          rows={pins}
          keyOf={({ terminal }) => terminal}
        />
      </div>
      {turns && <p className={styles.turns}>{TURN_WORDS[turns]}</p>}
      {live && halvesWords(live) && <p className={styles.turns}>{halvesWords(live)}</p>}
    </section>
  );
}

/** What colour of lead each terminal is, as far as the part comes with leads and it is known. */
function leadsAt(design: Design, deviceId: string): Map<string, string> {
  return new Map(
    recordsOf(design, 'lead')
      .filter((lead) => lead.deviceId === deviceId)
      .flatMap((lead) => {
        const { terminal, standing } = standingOf(lead);
        return terminal ? [[terminal, `${lookWords(lead)} lead${standing === 'proved' ? '' : ', not proved'}`] as const] : [];
      }),
  );
}

/** A relay’s blades on the wire side of its socket. */
function RelayFace({ pins }: { pins: 4 | 5 }) {
  const blades = Object.entries(RELAY_BLADES).filter(([pin]) => pins === 5 || pin !== '87a');
  return (
    <svg viewBox="-50 -50 100 100" className={styles.relay} role="img" aria-label="Blades seen on the socket’s wire side">
      <rect x={-46} y={-46} width={92} height={92} rx={5} className={styles.housing} />
      {blades.map(([pin, { x, y, upright }]) => (
        <g key={pin}>
          <rect
            x={x * 90 - (upright ? 2 : 9)}
            y={y * 90 - (upright ? 9 : 2)}
            width={upright ? 4 : 18}
            height={upright ? 18 : 4}
            className={styles.blade}
          />
          <text x={x * 90 + (upright ? 0 : 17)} y={y * 90 + (upright ? 18 : 3)} textAnchor="middle">
            {pin}
          </text>
        </g>
      ))}
    </svg>
  );
}
