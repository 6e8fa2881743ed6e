'use client';

import { Button, Drawer, Radio, Select } from 'antd';
import Link from 'next/link';
import { useMemo, useRef, useState } from 'react';
import type { WayKeeping } from '@/core/advice/waysKeeping';
import { allWishes } from '@/core/bench/usualWishes';
import { deviceOf, recordsOf, type Design } from '@/core/design/design';
import type { TerminalRef } from '@/core/design/schema';
import { LIMITS } from '@/core/catalog/vocabulary';
import { NO_CHANGE } from '@/core/design/change';
import { keepAsOption } from '@/core/design/options';
import { nameOf } from '@/core/design/names';
import { SIGNAL_WORDS } from '@/core/devices/signalSource';
import type { VehicleSignal } from '@/core/devices/signalSource';
import { giveLoadsCircuits } from '@/core/switching/ownCircuit';
import { WAY_FAMILIES, type Way, type WayId } from '@/core/switching/gallery/ways';
import { hasRule, THERE, thereToTake, type There } from '@/core/switching/gallery/spare';
import { waysFor, wayTo } from '@/core/switching/gallery/wayTo';
import { FAMILY_PAGES, FAMILY_WORDS, WAY_WORDS } from '@/core/wording/wayWords';
import { useDesign } from '@/features/design/DesignProvider';
import { CHOICES } from '@/features/workspace/targets';
import { useRefusal } from '@/features/design/useRefusal';
import { leavesOnly } from '@/ui/leavesOnly';
import { TryBench } from './TryBench';
import { WayFacts } from './WayFacts';
import { useSwitchingAnswer } from './useSwitchingAnswer';
import drawer from '@/ui/Drawer.module.css';
import { Input } from '@/ui/Input';
import styles from './Ways.module.css';

/** How should it come on? Ready ways to wire one load, each tried on a copy before it is taken. */
export function WaysDrawer({ loadId, onClose }: { loadId: string; onClose(): void }) {
  const design = useDesign((state) => state.design);
  const index = useDesign(({ analysis }) => analysis.index);
  const load = useDesign(({ analysis }) => analysis.index.loads.find(({ id }) => id === loadId));
  const circuitId = useDesign(({ analysis }) => analysis.loads.get(loadId)?.circuitId ?? null);
  const preview = useRef<HTMLDivElement>(null);
  const [wayId, setWay] = useState<WayId>('switch');
  const [find, setFind] = useState('');
  const [isPicked, setPicked] = useState(false);
  const name = nameOf(design, loadId);
  const onIt = useDesign(
    ({ analysis }) => Array.from(analysis.loads.values()).filter((row) => row.circuitId === circuitId && circuitId !== null).length,
  );
  const [isWhole, setWhole] = useState(false);
  const missing = useMemo(() => new Set<Way['asks']>(THERE.filter((what) => thereToTake(design, what).length === 0)), [design]);
  const ways = load ? waysFor(load, isWhole).filter(({ asks }) => !missing.has(asks)) : [];
  const way = ways.find(({ id }) => id === wayId) ?? ways[0];
  const fitting = ways.filter(({ id }) => isCalled(`${WAY_WORDS[id].name} ${WAY_WORDS[id].says}`, find));
  const isWished = useMemo(
    () => (load ? allWishes(index, recordsOf(design, 'wish')).some((wish) => wish.loadId === loadId) : false),
    [load, loadId, index, design],
  );
  const { answer, done } = useSwitchingAnswer(isWished && !isWhole ? { ask: 'ways', loadId } : null);
  // The first of each way is its best signal.
  const keeping = answer && 'ways' in answer ? answer.ways : [];
  const bestOf = (id: WayId) => keeping.find((one) => one.wayId === id) ?? null;
  return (
    <Drawer
      open
      title={`How should ${name} come on?`}
      placement="right"
      size={880}
      onClose={onClose}
      mask={false}
      // Its own field takes the focus.
      autoFocus={false}
      rootClassName={drawer.root}
    >
      {circuitId === null || !way ? (
        <NoCircuit loadId={loadId} />
      ) : (
        <div className={styles.columns}>
          <nav aria-label="Ways" className={styles.list}>
            {onIt > 1 && (
              <Radio.Group
                className={styles.what}
                aria-label="What is switched so"
                value={isWhole}
                options={[
                  { value: false, label: 'This load alone' },
                  { value: true, label: `All ${onIt} loads of ${nameOf(design, circuitId)}` },
                ]}
                onChange={({ target }) => setWhole(target.value === true)}
              />
            )}
            <Input
              autoFocus
              size="small"
              allowClear
              aria-label="Find a way"
              placeholder="find: radio, two places"
              value={find}
              onChange={({ target }) => {
                setFind(target.value);
                setPicked(false);
              }}
              onKeyDown={(event) => {
                if (event.key !== 'Escape') return;
                leavesOnly(event, find !== '');
                setFind('');
              }}
              onPressEnter={() => {
                if (find.trim() !== '' && fitting[0]) setWay(fitting[0].id);
                setPicked(true);
              }}
            />
            {isWished && !isWhole && answer === null && <p role="status">Held against its wishes: {Math.round(done * 100)} %</p>}
            {WAY_FAMILIES.filter((family) => fitting.some((one) => one.family === family)).map((family) => (
              <section key={family}>
                <h3>{FAMILY_WORDS[family]}</h3>
                {fitting
                  .filter((one) => one.family === family)
                  .map((one) => (
                    <button
                      key={one.id}
                      type="button"
                      aria-pressed={one.id === way.id}
                      onClick={() => {
                        setWay(one.id);
                        preview.current?.scrollIntoView({ block: 'nearest' });
                      }}
                    >
                      {WAY_WORDS[one.id].name}
                      <Keeps keeping={bestOf(one.id)} />
                    </button>
                  ))}
              </section>
            ))}
          </nav>
          <div ref={preview} className={styles.preview}>
            <Preview
              key={`${way.id} ${isWhole}`}
              loadId={loadId}
              way={way}
              isWhole={isWhole}
              isPicked={isPicked}
              likely={bestOf(way.id)}
              onTaken={onClose}
            />
          </div>
        </div>
      )}
    </Drawer>
  );
}

/** A load that nothing feeds is given a circuit first: the nearest slot, its usual wire and fuse. */
function NoCircuit({ loadId }: { loadId: string }) {
  const load = useDesign(({ analysis }) => analysis.index.loads.find(({ id }) => id === loadId));
  const { commit, refusal } = useRefusal();
  const [why, setWhy] = useState<string | null>(null);
  if (!load) return null;
  const give = () =>
    commit(`Give ${load.name} a circuit`, (now) => {
      const { change, left } = giveLoadsCircuits(now, [load]);
      setWhy(left[0]?.why ?? null);
      return change;
    });
  return (
    <>
      <p>It has no circuit yet. With one, say how it comes on.</p>
      <Button autoFocus type="primary" onClick={give}>
        Give it a circuit
      </Button>
      {why && <p role="alert">{why}</p>}
      {refusal}
    </>
  );
}

/** Whether a text has every word that is looked for. */
function isCalled(text: string, find: string): boolean {
  return find.toLowerCase().split(/\s+/).every((word) => text.toLowerCase().includes(word)); // prettier-ignore
}

/** Whether a way keeps all that is wished of the load. */
function Keeps({ keeping }: { keeping: WayKeeping | null }) {
  if (!keeping) return null;
  const { broken, undecided, lost, kept } = keeping;
  const open = broken + undecided + lost;
  return (
    <span className={styles.keeps}>
      {open === 0
        ? `keeps ${kept === 1 ? 'its wish' : `all ${kept} wishes`}`
        : broken > 0
          ? `breaks ${broken}`
          : lost > 0
            ? `drops ${lost}`
            : `${undecided} undecided`}
    </span>
  );
}

interface PreviewProps {
  loadId: string;
  way: Way;
  /** All of the load's circuit is switched so. */
  isWhole: boolean;
  /** It was picked by key: the next press of Enter takes it. */
  isPicked: boolean;
  /** What keeps most of its wishes so. */
  likely: WayKeeping | null;
  onTaken(): void;
}

function Preview({ loadId, way, isWhole, isPicked, likely, onTaken }: PreviewProps) {
  const design = useDesign((state) => state.design);
  const loads = useDesign(({ analysis }) => analysis.index.loads);
  const [chosen, setChosen] = useState<VehicleSignal | null>(null);
  // Until somebody chooses, the one that keeps most wishes.
  const signal = chosen ?? (way.signals ? likely?.signal : null) ?? way.signals?.[0] ?? 'ignition';
  const lampOf = (id: string) => loads.find((load) => load.id === id)?.partOf?.loadId ?? id;
  // The other function of the same lamp is what one means, as a rule.
  const sibling = loads.find(({ id }) => id !== loadId && lampOf(id) === lampOf(loadId))?.id ?? null;
  const [otherId, setOther] = useState<string | null>(way.asks === 'other' ? sibling : null);
  const there = useMemo(() => (isThere(way.asks) ? thereToTake(design, way.asks) : []), [design, way.asks]);
  const [takenAt, setTakenAt] = useState<number | null>(null);
  const likelyAt = there.findIndex(({ deviceId, terminal }) => deviceId === likely?.onto?.deviceId && terminal === likely.onto.terminal);
  const ontoAt = takenAt ?? Math.max(0, likelyAt);
  const onto = there[ontoAt];
  const hub = onto && deviceOf(design, onto.deviceId, 'ruleHub');
  const isRuled = hub ? hasRule(hub, onto.terminal) : false;
  const choice = { signal, otherId, ...(onto && { onto }), ...(isWhole && { whole: true }) };
  const { answer } = useSwitchingAnswer({ ask: 'way', loadId, wayId: way.id, ...choice });
  const circuitId = useDesign(({ analysis }) => analysis.loads.get(loadId)?.circuitId);
  const { commit, refusal } = useRefusal();
  const designId = useDesign((state) => state.id);
  const words = WAY_WORDS[way.id];
  const take = () => {
    const refused = commit(
      `${isWhole ? nameOf(design, circuitId ?? loadId) : nameOf(design, loadId)}: ${words.name.toLowerCase()}`,
      (now) => wayTo(now, loadId, way, choice)?.change ?? NO_CHANGE,
    );
    if (refused === null) onTaken();
  };
  const [isKept, setKept] = useState(false);
  const keep = () => {
    const question = `How should ${isWhole ? nameOf(design, circuitId ?? loadId) : nameOf(design, loadId)} come on?`;
    const refused = commit(`Keep as an option: ${words.name.toLowerCase()}`, (now) =>
      keepAsOption(now, question.slice(0, LIMITS.nameLength), words.name, wayTo(now, loadId, way, choice)?.change ?? NO_CHANGE),
    );
    setKept(refused === null);
  };
  return (
    <>
      <h3>{words.name}</h3>
      <p>{words.says}</p>
      {onto && isThere(way.asks) && (
        <Choice label={THERE_WORDS[way.asks]}>
          <Select
            aria-label={THERE_WORDS[way.asks]}
            value={ontoAt}
            options={there.map((one, at) => ({ value: at, label: thereWords(design, one) }))}
            onChange={setTakenAt}
          />
        </Choice>
      )}
      {isRuled && <p>Its rules say already what it does: they stay.</p>}
      {way.signals && !isRuled && (
        <Choice label="The vehicle’s wire">
          <Select
            aria-label="The vehicle’s wire"
            value={signal}
            options={way.signals.map((value) => ({ value, label: SIGNAL_WORDS[value] }))}
            onChange={setChosen}
          />
        </Choice>
      )}
      {way.asks === 'other' && (
        <Choice label="The other load">
          <Select
            aria-label="The other load"
            placeholder="the other load"
            value={otherId}
            options={loads.filter(({ id }) => id !== loadId).map(({ id, name }) => ({ value: id, label: name }))}
            showSearch={{ optionFilterProp: 'label' }}
            onChange={setOther}
          />
        </Choice>
      )}
      {answer === null ? (
        <p role="status">It is tried on a copy…</p>
      ) : 'problem' in answer ? (
        <p role="alert">{answer.problem}</p>
      ) : !('tried' in answer) || answer.tried === null ? (
        <p>
          {isWhole
            ? 'No wire or several leave its fuse: with one to a joint, all that hangs there can be switched so.'
            : way.asks === 'other' && otherId === null
              ? 'Say which other load shares the switch.'
              : onto
                ? 'Not on this one: it goes with what switches this load now, it has no input free for that signal, or the load has no way home of its own.'
                : 'This load cannot be wired so.'}
        </p>
      ) : (
        <>
          <TryBench design={answer.tried.after} loadId={loadId} inputs={answer.tried.dependsOn} />
          <WayFacts tried={answer.tried} />
          <p className={styles.pitfall}>
            <strong>Mind:</strong> {words.pitfall} <Link href={`/handbook/${FAMILY_PAGES[way.family]}`}>More in the handbook</Link>
          </p>
          {refusal}
          <div className={styles.taking}>
            <Button key={String(isPicked)} type="primary" autoFocus={isPicked} onClick={take}>
              Wire it so
            </Button>
            <Button onClick={keep}>Keep it as an option</Button>
            {isKept && (
              <span role="status">
                Kept beside it. <Link href={`/d/${designId}/harness#${CHOICES}`}>Compare</Link>
              </span>
            )}
          </div>
        </>
      )}
    </>
  );
}

const THERE_WORDS: Record<There, string> = { channel: 'The channel', output: 'The output', dimmer: 'The dimmer' };

function isThere(asks: Way['asks']): asks is There {
  return THERE.some((what) => what === asks);
}

function thereWords(design: Design, { deviceId, terminal }: TerminalRef): string {
  const isDimmer = deviceOf(design, deviceId, 'dimmer') !== null;
  return isDimmer ? nameOf(design, deviceId) : `${nameOf(design, deviceId)}, ${terminal}`;
}

function Choice({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <div className={styles.choice}>
      <span>{label}</span>
      {children}
    </div>
  );
}
