import { conductorTables } from '../conductorTables';
import type { RuleFigures } from '../figures';
import { finding, type Finding, type Severity, type SourceRule } from '../finding';
import type { Analysis } from '../types';
import { CHARGE_FACTS } from '../../catalog/chemistries';
import type { Device } from '../../design/schema';
import type { Alternator } from '../../devices/alternator';
import type { DcDcCharger } from '../../devices/dcDcCharger';
import type { SolarController } from '../../devices/solarController';
import type { SolarPanel } from '../../devices/solarPanel';
import { bankOf } from '../../energy/bank';
import { spareA } from '../../energy/chargeSources';
import { settingDay, settingOf } from '../../energy/setting';
import { batteryTemperatures } from '../../energy/trip';
import { isOver } from '../../units/compare';

/** Change of a panel's open-circuit voltage with cell temperature, percent a kelvin. Usual silicon, from memory. */
const OPEN_V_PERCENT_PER_K = -0.3;
/** How far a frost may lie under the month's mean, K. Common practice: panels are rated for the record cold, not the mean. */
const RECORD_COLD_K = 20;
/** What a panel's best voltage must have over the charging voltage to charge at all in the heat, V. Common practice. */
const HEAD_V = 2;
/** Volts a charging cable may lose: ISO road-vehicle practice 0.3 V at 12 V, from memory; twice that is where chargers fail to start. */
const INPUT_DROP_V = 0.6;
/** Continuous current times this is the least a fuse should be. Origin NEC, from memory. */
const CONTINUOUS = 1.25;

/** What charges, and the battery where it stands: limits of controllers, cables and alternator, heat, gas and frost. */
export function findSources(analysis: Analysis): Finding[] {
  const { index } = analysis;
  const found: Finding[] = [];
  const add: Add = (rule, severity, subjects, numbers) => found.push(finding(rule, severity, subjects, numbers));
  const ofKind = <K extends Device['kind']>(kind: K) => {
    const list: Extract<Device, { kind: K }>[] = [];
    for (const device of index.devices.values()) if (device.kind === kind) list.push(device as Extract<Device, { kind: K }>);
    return list;
  };
  const panels = ofKind('solarPanel');
  for (const panel of panels) judgePanel(panel, index.devices, coldestC(analysis), add);
  for (const controller of ofKind('solarController')) judgeController(controller, panels, add);
  judgeVehicle(analysis, ofKind('alternator'), ofKind('dcDcCharger'), ofKind('splitRelay'), add);
  judgeBattery(analysis, add);
  return found;
}

type Add = <R extends SourceRule>(rule: R, severity: Severity, subjects: string[], numbers: RuleFigures[R]) => void;

/** The coldest a panel may get in any scenario, °C. */
function coldestC({ index }: Analysis): number {
  const means = index.scenarios.map((scenario) => {
    const setting = settingOf(scenario);
    return settingDay({ ...setting, startDay: setting.southern ? 198 : 17 }, 0).meanAirC;
  });
  return Math.min(0, ...means) - RECORD_COLD_K;
}

function judgePanel(panel: SolarPanel, devices: ReadonlyMap<string, Device>, coldC: number, add: Add): void {
  const controller = panel.controllerId === null ? undefined : devices.get(panel.controllerId);
  if (!panel.regulated && !controller) add('solar.bare', 'fault', [panel.id], { volts: panel.openV });
  if (panel.regulated && controller) add('solar.twoControllers', 'caution', [panel.id, controller.id], {});
  if (controller?.kind !== 'solarController' || panel.regulated) return;
  const inSeries = panel.wired === 'series' ? panel.count : 1;
  const coldV = panel.openV * inSeries * (1 + ((panel.openVPercentPerK ?? OPEN_V_PERCENT_PER_K) / 100) * (coldC - 25));
  if (coldV > controller.maxPanelV)
    add('solar.coldVoltage', 'fault', [panel.id, controller.id], { volts: coldV, mostV: controller.maxPanelV, celsius: Math.round(coldC) });
  if (panel.bestV * inSeries < controller.outputV + HEAD_V)
    add('solar.lowVoltage', 'caution', [panel.id, controller.id], { volts: panel.bestV * inSeries, leastV: controller.outputV + HEAD_V });
}

/**
 * A simple controller carries the panels' short-circuit current itself and burns above its rating; a tracking one holds its output back.
 */
function judgeController(controller: SolarController, all: readonly SolarPanel[], add: Add): void {
  const own = all.filter(({ controllerId, regulated }) => controllerId === controller.id && !regulated);
  const watts = own.reduce((sum, panel) => sum + panel.watts * panel.count, 0);
  if (controller.method === 'tracking') {
    const amps = watts / controller.outputV;
    if (amps > controller.maxA) add('solar.controllerClips', 'note', [controller.id], { amps, mostA: controller.maxA, watts });
    return;
  }
  const shortA = own.reduce((sum, panel) => sum + panel.shortA * (panel.wired === 'series' ? 1 : panel.count), 0);
  if (shortA * CONTINUOUS > controller.maxA)
    add('solar.controllerOver', 'fault', [controller.id], { amps: shortA * CONTINUOUS, mostA: controller.maxA });
}

function judgeVehicle(
  analysis: Analysis,
  alternators: readonly Alternator[],
  chargers: readonly DcDcCharger[],
  relays: readonly { id: string; ratingA: number }[],
  add: Add,
): void {
  const { index, bank } = analysis;
  const [alternator] = alternators;
  if (alternator && !alternator.direct && chargers.length === 0 && relays.length === 0)
    add('alternator.noLink', 'note', [alternator.id], {});
  if (!alternator) for (const link of [...chargers, ...relays]) add('alternator.missing', 'caution', [link.id], {});
  const inputV = alternator?.outputV ?? 14;
  let wantedA = 0;
  for (const charger of chargers) {
    const inputA = (charger.maxA * charger.outputV) / (charger.efficiencyPercent / 100) / inputV;
    wantedA += inputA;
    judgeInput(analysis, charger, inputA, add);
  }
  if (alternator) {
    const idleA = alternators.reduce((sum, one) => sum + spareA(one, one.idlePercent), 0);
    if (wantedA > idleA) add('alternator.idle', 'caution', [alternator.id], { amps: wantedA, spareA: idleA });
  }
  if (!bank || !index.battery) return;
  const acceptanceA = relays.length > 0 ? bankOf(index.battery, index.settings.nominalV).acceptanceA : 0;
  for (const relay of relays) {
    const spare = alternators.reduce((sum, one) => sum + spareA(one, one.hotPercent), 0);
    const mayFlow = Math.min(acceptanceA, spare);
    if (mayFlow > relay.ratingA) add('relay.chargeOver', 'fault', [relay.id], { amps: mayFlow, mostA: relay.ratingA });
  }
  if (wantedA > 0) {
    const outputA = chargers.reduce((sum, { maxA }) => sum + maxA, 0);
    if (index.battery.chargeLimitA !== undefined && outputA > index.battery.chargeLimitA)
      add('battery.chargedTooFast', 'fault', [index.battery.id], { amps: outputA, mostA: index.battery.chargeLimitA });
  }
}

/** The cable from the starter battery to a DC-DC charger: its drop, what it carries, and its fuse. */
function judgeInput({ index }: Analysis, charger: DcDcCharger, inputA: number, add: Add): void {
  const { inputConductor: conductor, inputLengthMm, inputFuseA } = charger;
  if (conductor === null) return;
  const tables = conductorTables(index.settings);
  const dropV = (2 * inputA * tables.ohmPerM(conductor) * inputLengthMm) / 1000;
  if (isOver(dropV, INPUT_DROP_V, 2))
    add('charger.inputDrop', 'caution', [charger.id], { dropV, mostV: INPUT_DROP_V, amps: inputA, conductor });
  const engineZone = index.zones.find(({ engineSpace }) => engineSpace);
  const { amps: ampacityA } = tables.ampacity(conductor, engineZone?.ambientC ?? 60, true, 1);
  if (inputA * CONTINUOUS > ampacityA) add('charger.inputCable', 'fault', [charger.id], { amps: inputA, ampacityA, conductor });
  if (inputFuseA === null) add('charger.inputBare', 'fault', [charger.id], { amps: inputA });
  else if (inputFuseA > ampacityA) add('charger.inputFuse', 'fault', [charger.id], { ratingA: inputFuseA, ampacityA, conductor });
  else if (inputFuseA < inputA * CONTINUOUS)
    add('charger.inputFuseSmall', 'caution', [charger.id], { ratingA: inputFuseA, amps: inputA, leastA: inputA * CONTINUOUS });
}

function judgeBattery({ index }: Analysis, add: Add): void {
  const { battery } = index;
  if (!battery) return;
  const zone = index.zones.find(({ id }) => id === battery.zoneId);
  const { hotC } = CHARGE_FACTS[battery.chemistry];
  const sealed = battery.chemistry !== 'flooded';
  if (zone && sealed && (zone.engineSpace || zone.ambientC > hotC))
    add('battery.hot', 'caution', [battery.id, zone.id], { celsius: zone.ambientC, mostC: hotC });
  const livedIn = zone?.traits?.some((trait) => trait === 'living' || trait === 'sleeping') ?? false;
  if (battery.chemistry === 'flooded' && livedIn && !battery.vented) add('battery.unvented', 'fault', [battery.id, zone!.id], {});
  if (battery.heldDown === false) add('battery.loose', 'fault', [battery.id], {});
  else if (battery.heldDown === undefined) add('battery.holdUnknown', 'caution', [battery.id], {});
  if (battery.chemistry !== 'lithium' || battery.heated) return;
  const charges = Array.from(index.devices.values()).some(
    (device) =>
      ['solarPanel', 'charger', 'dcDcCharger', 'splitRelay'].includes(device.kind) ||
      (device.kind === 'alternator' && device.direct === true),
  );
  if (!charges) return;
  for (const scenario of index.scenarios) {
    const setting = settingOf(scenario);
    const coldest = Math.min(...batteryTemperatures(index, battery, setting, Math.min(setting.days, 60)));
    if (coldest <= 0) add('battery.coldCharge', 'caution', [battery.id, scenario.id], { celsius: Math.round(coldest) });
  }
}
