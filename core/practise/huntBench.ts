import { Bench } from '../bench/bench';
import { inputFor } from '../bench/inputs';
import type { VehicleSide } from '../bench/vehicleSide';
import type { Protection, TerminalRef, Wire } from '../design/schema';
import { kindOf } from '../devices';
import type { ControlValue } from '../devices/kind';
import { shineAt, type Shine } from '../diagnosis/blows';
import { minutesFor, minutesTo } from '../diagnosis/diagnose';
import { probePoints, type Flaw } from '../diagnosis/flaws';
import { doing, type Moved, type Seen } from '../diagnosis/foresee';
import type { ControlState } from '../network/controlState';
import { indexDesign, type DesignIndex } from '../rig/designIndex';
import { isSameTerminal } from '../design/terminals';
import { isSameName, LOOKS, namesFor, type Hunt, type HuntAct, type Named, type WireEnd } from './hunt';
import { ColdBoard } from './testSource';
import { ACT_S, MEND, MINUTES } from './minutes';
import { leftOver } from './leftOver';
import { landedAt, smellAt, warmthAt, type Felt } from './senses';
import type { Entry, LeftOver, Told, Unsafe } from './told';
import {
  BRIDGE_FUSE,
  isBatteryMinus,
  isFed,
  isLiveAt,
  lampEnds,
  looseEnd,
  plannedTerminal,
  standing,
  type Standing,
  type Tampered,
} from './world';

/** Across the leads of a meter set to ohms it takes more for its own. */
const OHMS_LIVE_V = 0.05;

/** What an act gives, and what it costs. */
interface Came {
  told: Told[];
  minutes: number;
}

/** A board with its faults, on which a person looks, flicks, meters and mends. The design itself never changes. */
export class HuntBench {
  readonly plan: DesignIndex;
  private flaws: readonly Flaw[];
  private lifted: WireEnd[] = [];
  private fittedA = new Map<string, number>();
  private readonly out = new Set<string>();
  /** The fuse in whose place a lamp is. */
  private lampAt: string | null = null;
  private bridge: { from: TerminalRef; to: TerminalRef } | null = null;
  private isIsolated = false;
  /** How hands have left what they moved. */
  private readonly left = new Map<string, Moved>();
  private world: Standing;
  private bench: Bench;
  private cold: { world: Standing; state: ControlState; board: ColdBoard } | null = null;
  readonly entries: Entry[] = [];
  isDone = false;

  /** @throws NetworkError where the board as it is has no answer */
  constructor(private readonly hunt: Hunt) {
    this.plan = indexDesign(hunt.design);
    this.flaws = hunt.complaints.map(({ flaw }) => flaw).filter(({ kind }) => kind !== 'none');
    this.world = standing(this.plan, this.tampered);
    this.bench = new Bench(this.world.index);
    this.hold();
    for (const moved of hunt.complaints[0]?.moved ?? []) this.move(moved);
    this.passes();
  }

  /** Minutes spent. */
  get minutes(): number {
    return this.entries.reduce((sum, { minutes }) => sum + minutes, 0);
  }

  /** Where a lead of the meter can be put, loose ends among it. */
  reachable(): TerminalRef[] {
    const { index } = this.world;
    // Where a broken wire was there still is a terminal.
    const wires = [...this.plan.wires, ...index.wires];
    return probePoints({ ...index, wires }).filter(({ deviceId }) => deviceId !== BRIDGE_FUSE);
  }

  /** How everything stands, to be drawn. */
  get state() {
    return { ...this.tampered, out: this.out as ReadonlySet<string>, loads: this.bench.answer.loads };
  }

  /** What a meter would find, with what its faults hold. */
  get asItIs(): Standing {
    return this.world;
  }

  /** How the vehicle's own controls stand. */
  get side(): VehicleSide {
    return this.bench.side;
  }

  position(deviceId: string, control: string): ControlValue {
    return this.left.get(`${deviceId} ${control}`)?.position ?? this.bench.position(deviceId, control);
  }

  /** What a load is seen to do. */
  does(loadId: string): Seen['does'] {
    return doing(this.bench.answer.loads.find(({ id }) => id === loadId)?.level ?? 0);
  }

  /** Does one act. After everything is proved nothing changes any more. @throws NetworkError */
  do(act: HuntAct): Entry | null {
    if (this.isDone) return null;
    const pulledBefore = this.remembering('pulledIn');
    const unsafe: Unsafe[] = [];
    const openBefore = this.blown;
    const { told, minutes } = this.act(act, (what) => unsafe.push(what));
    // One that was open and is whole now is a new one, which may go as well.
    const gone = new Set([...this.blown].filter((id) => openBefore.has(id)));
    if (!LOOKS.has(act.kind)) {
      this.passes();
      const shines = this.lampShines();
      if (shines) told.push({ kind: 'lamp', shines });
    }
    const pulled = this.remembering('pulledIn');
    const blown = [...this.blown].filter((id) => !gone.has(id));
    const clicks = [...this.world.index.devices.keys()].filter((id) => pulledBefore.has(id) !== pulled.has(id));
    if (blown.length > 0) unsafe.push(blown.includes(BRIDGE_FUSE) ? 'bridgedShort' : 'fuseBlown');
    const entry: Entry = { act, told, clicks, blown, unsafe, minutes };
    this.entries.push(entry);
    return entry;
  }

  private passes(): void {
    for (const seconds of ACT_S) this.bench.wait(seconds);
  }

  private act(act: HuntAct, unsafe: (what: Unsafe) => void): Came {
    switch (act.kind) {
      case 'flick':
        this.move(act);
        return { told: [], minutes: MINUTES.flick };
      case 'wait':
        this.bench.wait(act.seconds);
        return { told: [], minutes: act.seconds / 60 };
      case 'isolate':
        this.isIsolated = act.off;
        this.rewire();
        return { told: [], minutes: MINUTES.isolate };
      case 'pullFuse':
        return this.pull(act.fuseId);
      case 'fitFuse':
        return this.fit(act.fuseId, act.ratingA, unsafe);
      case 'lift':
      case 'land':
        return this.lead(act, unsafe);
      case 'bridge':
        if (act.lead && ![act.lead.from, act.lead.to].every((at) => this.has(at))) return notThere();
        this.bridge = act.lead;
        this.rewire();
        this.bench.renew(BRIDGE_FUSE);
        return { told: [], minutes: act.lead ? MINUTES.bridge : 1 };
      case 'meter':
        return this.meter(act, unsafe);
      case 'clamp':
        return this.clamp(act.wireId);
      case 'look':
        return this.look(act.deviceId);
      case 'touch':
      case 'smell':
        return this.feel(act);
      case 'lamp':
        return this.lamp(act.fuseId);
      case 'mend':
        return this.mend(act.named, unsafe);
      case 'prove':
        return this.prove();
    }
  }

  private get tampered(): Tampered {
    const { flaws, lifted, fittedA, bridge, lampAt, isIsolated } = this;
    return { flaws, lifted, fittedA, bridge, lampAt, isIsolated };
  }

  /** Wires it up as it stands now; what is set and remembered stays. */
  private rewire(): void {
    const freed = [...this.world.held].flatMap(([id, controls]) => Object.keys(controls).map((control) => ({ deviceId: id, control })));
    this.world = standing(this.plan, this.tampered);
    this.bench = new Bench(this.world.index, this.bench);
    for (const { deviceId, control } of freed) {
      if (this.isHeld(deviceId, control)) continue;
      const device = this.world.index.devices.get(deviceId);
      const atRest = device && kindOf(device).controls?.(device)[control]?.[0];
      const position = this.left.get(`${deviceId} ${control}`)?.position ?? atRest;
      if (position !== undefined) this.bench.set(deviceId, control, position);
    }
    this.hold();
  }

  private hold(): void {
    this.bench.hold(this.world.held);
    for (const id of this.out) this.bench.set(id, 'fitted', false);
  }

  private isHeld(deviceId: string, control: string): boolean {
    return this.world.held.get(deviceId)?.[control] !== undefined;
  }

  private move({ mover, position }: Moved): void {
    if (!inputFor(this.world.index, mover)?.positions.includes(position)) return;
    if (mover.kind === 'device') this.left.set(`${mover.deviceId} ${mover.control}`, { mover, position });
    if (mover.kind === 'device' && this.isHeld(mover.deviceId, mover.control)) return;
    this.bench.do({ kind: 'move', mover, position });
  }

  private fuse(id: string): Protection | null {
    const device = this.plan.devices.get(id);
    return device?.kind === 'protection' ? device : null;
  }

  private isWhole(fuseId: string): boolean {
    return !this.flaws.some((flaw) => flaw.kind === 'blownFuse' && flaw.fuseId === fuseId) && this.bench.standing.memory[fuseId]?.open !== true; // prettier-ignore
  }

  private pull(fuseId: string): Came {
    const fuse = this.fuse(fuseId);
    if (!fuse) return notThere();
    this.out.add(fuseId);
    this.bench.set(fuseId, 'fitted', false);
    return {
      told: [{ kind: 'link', isWhole: this.isWhole(fuseId), ratingA: this.fittedA.get(fuseId) ?? fuse.ratingA }],
      minutes: MINUTES.fuse,
    };
  }

  private fit(fuseId: string, ratingA: number, unsafe: (what: Unsafe) => void): Came {
    const fuse = this.fuse(fuseId);
    if (!fuse) return notThere();
    if (ratingA > fuse.ratingA) unsafe('biggerFuse');
    if (ratingA === fuse.ratingA) this.fittedA.delete(fuseId);
    else this.fittedA.set(fuseId, ratingA);
    this.out.delete(fuseId);
    if (this.lampAt === fuseId) this.lampAt = null;
    this.flaws = this.flaws.filter((flaw) => flaw.kind !== 'blownFuse' || flaw.fuseId !== fuseId);
    this.rewire();
    this.bench.set(fuseId, 'fitted', true);
    this.bench.renew(fuseId);
    return { told: [], minutes: MINUTES.fuse };
  }

  /** A lamp into a fuse's place, the fuse with it out; or the lamp out again. */
  private lamp(fuseId: string | null): Came {
    if (fuseId === null ? this.lampAt === null : !this.fuse(fuseId)) return notThere();
    this.lampAt = fuseId;
    if (fuseId !== null) this.out.add(fuseId);
    this.rewire();
    return { told: [], minutes: MINUTES.lamp };
  }

  /** What the lamp in a fuse's place does; null: there is none. */
  lampShines(): Shine | null {
    const ends = lampEnds(this.plan, this.lampAt);
    if (!ends) return null;
    const across = this.bench.volts(ends.from, ends.to) ?? 0;
    return shineAt(Math.abs(across) / this.plan.settings.nominalV);
  }

  private lead({ kind, wireId, end }: Extract<HuntAct, { kind: 'lift' | 'land' }>, unsafe: (what: Unsafe) => void): Came {
    const wire = this.plan.wires.find(({ id }) => id === wireId);
    const isOff = this.lifted.some((one) => one.wireId === wireId && one.end === end);
    if (!wire || isOff === (kind === 'lift')) return notThere();
    const at = this.endOf(wire, end);
    const before = this.bench;
    const isThis = (one: WireEnd) => one.wireId === wireId && one.end === end;
    this.lifted = kind === 'lift' ? [...this.lifted, { wireId, end }] : this.lifted.filter((one) => !isThis(one));
    this.rewire();
    const now = kind === 'lift' ? looseEnd({ wireId, end }) : this.endOf(wire, end);
    // What it is taken off or landed on counts too, before and after.
    const isLive = [before, this.bench].some((bench) => [at, now].some((one) => isLiveAt(this.plan, bench, one)));
    if (isLive) unsafe(kind === 'lift' ? 'liftedLive' : 'landedLive');
    return { told: [], minutes: Math.max(MINUTES.lead, minutesTo(this.plan, wire[end])) };
  }

  /** Where an end of a wire truly is, which may not be where the plan has it. */
  private endOf({ id, ...plan }: Wire, end: WireEnd['end']): TerminalRef {
    return this.world.index.wires.find((wire) => wire.id === id)?.[end] ?? plan[end];
  }

  /** What a meter with a source of its own finds, made anew after everything that changed something. */
  private coldBoard(): ColdBoard {
    const { world, bench } = this;
    if (this.cold?.world !== world || this.cold.state !== bench.standing)
      this.cold = { world, state: bench.standing, board: new ColdBoard(world.index, bench.standing) };
    return this.cold.board;
  }

  private has(at: TerminalRef): boolean {
    return this.reachable().some((one) => isSameTerminal(one, at));
  }

  private meter({ mode, red, black }: Extract<HuntAct, { kind: 'meter' }>, unsafe: (what: Unsafe) => void): Came {
    if (![red, black].every((at) => this.has(at))) return notThere();
    const isAtMinus = isBatteryMinus(this.plan.devices, black);
    const minutes = minutesFor(this.plan, {
      kind: 'volts',
      at: plannedTerminal(this.plan, red),
      to: isAtMinus ? null : plannedTerminal(this.plan, black),
    });
    const volts = this.bench.volts(red, black) ?? 0;
    if (mode === 'volts') return { told: [{ kind: 'volts', value: volts }], minutes };
    if (Math.abs(volts) > OHMS_LIVE_V || [red, black].some((at) => isLiveAt(this.plan, this.bench, at))) {
      unsafe('ohmsLive');
      return { told: [{ kind: 'meterLive', volts }], minutes };
    }
    const board = this.coldBoard();
    if (mode === 'diode') return { told: [{ kind: 'diode', value: board.diode(red, black) }], minutes };
    return { told: [{ kind: mode, value: board.ohms(red, black) }], minutes };
  }

  private clamp(wireId: string): Came {
    if (!this.plan.wires.some(({ id }) => id === wireId)) return notThere();
    return {
      told: [{ kind: 'amps', value: Math.abs(this.bench.clamp(wireId) ?? 0) }],
      minutes: minutesFor(this.plan, { kind: 'amps', wireId }),
    };
  }

  private look(deviceId: string): Came {
    const device = this.plan.devices.get(deviceId);
    if (!device) return notThere();
    const landed = landedAt(this.flaws, this.world.index.wires, device);
    const does: Told[] = device.kind === 'load' ? [{ kind: 'does', loadId: deviceId, does: this.does(deviceId) }] : [];
    return { told: [...does, ...landed], minutes: minutesTo(this.plan, { deviceId, terminal: '' }) + 1 };
  }

  /** A hand, or a nose, close to a part or to the nearer end of a wire. */
  private feel({ kind, subjectId }: Extract<HuntAct, { kind: 'touch' | 'smell' }>): Came {
    const wire = this.plan.wires.find(({ id }) => id === subjectId);
    if (!wire && !this.plan.devices.has(subjectId)) return notThere();
    const ends = wire ? [wire.from, wire.to] : [{ deviceId: subjectId, terminal: '' }];
    const minutes = MINUTES[kind] + Math.min(...ends.map((at) => minutesTo(this.plan, at)));
    const felt = kind === 'touch' ? ({ kind: 'warmth', warmth: warmthAt(this.felt, subjectId) } as const) : ({ kind, smell: smellAt(this.felt, subjectId) } as const); // prettier-ignore
    return { told: [felt], minutes };
  }

  private get felt(): Felt {
    const { plan, bench, flaws } = this;
    return { plan, bench, flaws };
  }

  private mend(named: Named, unsafe: (what: Unsafe) => void): Came {
    if (!this.plan.devices.has(named.subjectId) && !this.plan.wires.some(({ id }) => id === named.subjectId)) return notThere();
    const fuse = named.kind === 'blown' ? this.fuse(named.subjectId) : null;
    if (fuse) return this.newFuse(fuse);
    if (!this.isIsolated && isFed(this.plan, this.bench)) unsafe('mendedLive');
    const right = this.flaws.find((flaw) => namesFor(flaw).some((one) => isSameName(one, named)));
    if (right) {
      this.flaws = this.flaws.filter((flaw) => flaw !== right);
      this.rewire();
    }
    return { told: [{ kind: 'mended', isRight: right !== undefined }], minutes: MEND[named.kind] };
  }

  /** A fuse that is said to have gone, whatever made it go: one of its rating in its place. */
  private newFuse({ id, ratingA }: Protection): Came {
    const isRight = !this.isWhole(id);
    this.fit(id, ratingA, () => undefined);
    return { told: [{ kind: 'mended', isRight }], minutes: MEND.blown };
  }

  /** What somebody has left open, as far as it is plain to see: not what is still wrong, nor a fuse that is in and has gone. */
  openWork(): LeftOver[] {
    return this.leftOf([], () => true);
  }

  private leftOf(complaints: Hunt['complaints'], isWhole: (id: string) => boolean): LeftOver[] {
    const plugs = [...this.plan.devices.values()].filter(({ kind, id }) => kind === 'plug' && this.position(id, 'mated') === false);
    const apart = plugs.map(({ id }) => id);
    return leftOver(complaints, { ...this.tampered, plan: this.plan, out: this.out, apart, isWhole });
  }

  private prove(): Came {
    const left = this.leftOf(this.hunt.complaints, (id) => this.isWhole(id));
    this.isDone = left.length === 0;
    return { told: [{ kind: 'proved', left }], minutes: MINUTES.prove };
  }

  /** Fuses that have gone and are still in. */
  get blown(): Set<string> {
    return this.remembering('open');
  }

  private remembering(key: 'pulledIn' | 'open'): Set<string> {
    return new Set(Object.entries(this.bench.standing.memory).flatMap(([id, memory]) => (memory[key] === true ? [id] : [])));
  }
}

/** New each time: what a lamp does is told with it. */
const notThere = (): Came => ({ told: [{ kind: 'notThere' }], minutes: 0 });
