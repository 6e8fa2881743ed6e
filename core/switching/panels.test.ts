import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { analyse } from '../analysis/analyse';
import { remediesFor } from '../advice/remedies';
import { applyChange, invertChange, type Change } from '../design/change';
import { recordsOf, type Design } from '../design/design';
import { Edit } from '../design/edit';
import { checkReferences } from '../design/references';
import type { Panel } from '../design/schema';
import { type DesignError, type ProblemCode } from '../design/problems';
import { removePlace } from '../rig/edits';
import { WAYS } from './gallery/ways';
import { wayTo } from './gallery/wayTo';
import { addPanel, movePanel, panelsOffered, positionsOf, reshapePanel, seat, seatables, seatOf, unseat, unseated } from './panels'; // prettier-ignore
import { addLoosePart } from './partsByHand';
import { PARTS } from '../devices/parts';

const design = heron();
const NO_CHOICE: Parameters<typeof wayTo>[3] = { signal: 'reverse', otherId: null };
const panelOf = (of: Design, id = 'pan_hide') => of.records.get(id) as Panel;
const deviceCalled = (of: Design, name: string) => recordsOf(of, 'device').find((device) => device.name === name)!;
const namesIn = (of: Design, id = 'pan_hide') =>
  positionsOf(of, panelOf(of, id)).map((part) => {
    const device = part && of.records.get(part.deviceId);
    return device?.type === 'device' ? device.name : null;
  });
const thing = (of: Design, name: string) => ({ device: deviceCalled(of, name) });
/** Applied, whole, and undone to what was before. */
function done(of: Design, change: Change): Design {
  const after = applyChange(of, change);
  expect(checkReferences(after)).toEqual([]);
  expect(applyChange(after, invertChange(change)).records).toEqual(of.records);
  return after;
}

test('what sits in a panel is counted row by row from the top left, and sits in one position at a time', () => {
  expect(namesIn(design).slice(0, 3)).toEqual(['Scene lights, left switch', 'Scene lights, right switch', 'Awning light switch']);
  const moved = done(design, seat(design, 'pan_hide', 10, thing(design, 'Awning light switch')));
  expect(namesIn(moved)[2]).toBeNull();
  expect(namesIn(moved)[9]).toBe('Awning light switch');
  expect(seatOf(moved, deviceCalled(moved, 'Awning light switch').id)?.legend).toBe('Awning');
});

test('put where something sits, the two change places; from nowhere, what was there comes out', () => {
  const swapped = done(design, seat(design, 'pan_hide', 1, thing(design, 'Bench dimmer')));
  expect([namesIn(swapped)[0], namesIn(swapped)[6]]).toEqual(['Bench dimmer', 'Scene lights, left switch']);
  const isolator = deviceCalled(design, 'Battery isolator');
  const put = done(design, seat(design, 'pan_hide', 1, { device: isolator }));
  expect(namesIn(put)[0]).toBe('Battery isolator');
  expect(unseated(put, 'panel').map(({ device }) => device.name)).toContain('Scene lights, left switch');
  expect(put.records.has(deviceCalled(design, 'Scene lights, left switch').id)).toBe(true);
});

test('between two panels both go where their new panel is', () => {
  const across = done(design, seat(design, 'pan_galley', 1, thing(design, 'Bench dimmer')));
  expect(namesIn(across, 'pan_galley')[0]).toBe('Bench dimmer');
  expect(namesIn(across)[6]).toBe('Galley lights switch');
  expect(deviceCalled(across, 'Bench dimmer')).toMatchObject({ placeId: 'pl_panel', zoneId: 'zone_galley' });
  expect(deviceCalled(across, 'Galley lights switch')).toMatchObject({ placeId: 'pl_hpanel', zoneId: 'zone_hide' });
});

test('lamps sit in no switch panel, sockets that reach behind one do, relays only in a housing and radio channels on a fob', () => {
  const named = seatables(design, 'panel').map(({ device }) => device.name);
  expect(named).toContain('USB pair');
  expect(named).not.toContain('Galley light strip');
  expect(named).not.toContain('Compressor fridge');
  const { make, ...part } = PARTS.find(({ id }) => id === 'receiver')!;
  const trailer = pip();
  const receiver = addLoosePart(trailer, { ...part, make: (nominalV) => ({ ...make(nominalV), channels: 4 }) }, null).change;
  const withRadio = applyChange(trailer, receiver);
  const radio = recordsOf(withRadio, 'device').find(({ kind }) => kind === 'receiver')!;
  const channels = seatables(withRadio, 'fob');
  expect(channels.map(({ control }) => control)).toEqual(['ch1', 'ch2', 'ch3', 'ch4']);
  const [offer] = panelsOffered(withRadio).filter(({ use }) => use === 'fob');
  const fob = addPanel(withRadio, offer!);
  const after = done(withRadio, fob.change);
  expect(positionsOf(after, panelOf(after, fob.panelId)).map((part) => part?.control)).toEqual(['ch1', 'ch2', 'ch3', 'ch4']);
  // A fob is carried about: what it works stays where it is.
  expect(after.records.get(radio.id)).toBe(radio);
  // A radio of fewer channels leaves the fob's buttons without any.
  expect(
    problemsOf(after, { added: [], updated: [{ from: radio, to: { ...radio, channels: 2 } as typeof radio }], removed: [] }),
  ).toContain('noSuchControl');
});

test('with fewer columns what still has its column and row stays in them, the rest comes out', () => {
  const narrow = done(design, reshapePanel(design, 'pan_hide', 3, 2));
  expect(namesIn(narrow)).toEqual([
    'Scene lights, left switch',
    'Scene lights, right switch',
    'Awning light switch',
    'Hide bench lights switch',
    'Bench dimmer',
    'Scene left, panel or fob',
  ]);
  expect(unseated(narrow, 'panel').map(({ device }) => device.name)).toEqual(
    expect.arrayContaining(['Under-body work lights switch', 'Reversing lamps switch']),
  );
});

test('a panel moved takes along all that sits in it, taken away leaves it where it is', () => {
  const moved = done(design, movePanel(design, 'pan_hide', 'pl_bench'));
  expect(deviceCalled(moved, 'Bench dimmer').placeId).toBe('pl_bench');
  expect(analyse(moved).findings.filter(({ rule }) => rule === 'rig.panelElsewhere')).toEqual([]);
  const edit = new Edit(design);
  edit.remove('pan_hide');
  const gone = done(design, edit.change);
  expect(recordsOf(gone, 'panelPart').filter(({ panelId }) => panelId === 'pan_hide')).toEqual([]);
  expect(deviceCalled(gone, 'Bench dimmer').placeId).toBe('pl_hpanel');
  const noPlace = done(design, removePlace(design, 'pl_hpanel'));
  expect(panelOf(noPlace).placeId).toBeNull();
});

test('a panel that is nowhere moves nothing; two controls at one place are offered a panel, one is not', () => {
  const nowhere = done(design, movePanel(design, 'pan_hide', null));
  const put = done(nowhere, seat(nowhere, 'pan_hide', 9, thing(nowhere, 'Driving lamps switch')));
  expect(deviceCalled(put, 'Driving lamps switch').placeId).toBe('pl_cabwall');
  const bare = { records: new Map([...pip().records].filter(([, { type }]) => type !== 'panel' && type !== 'panelPart')) };
  expect(panelsOffered(bare).map(({ name, things }) => [name, things.length])).toEqual([['Galley switches', 2]]);
});

test('a device taken out leaves its position', () => {
  const before = pip();
  const pump = deviceCalled(before, 'Water pump switch');
  const edit = new Edit(before);
  for (const wire of recordsOf(before, 'wire')) if ([wire.from.deviceId, wire.to.deviceId].includes(pump.id)) edit.remove(wire.id);
  edit.remove(pump.id);
  expect(namesIn(done(before, edit.change), 'pan_galley')).toEqual(['Galley light switch', null, null]);
});

test('what is placed elsewhere than its panel is found, and both remedies mend it', () => {
  const dimmer = deviceCalled(design, 'Bench dimmer');
  const astray = done(design, { added: [], updated: [{ from: dimmer, to: { ...dimmer, placeId: 'pl_bench' } }], removed: [] });
  const now = analyse(astray);
  const [found] = now.findings.filter(({ rule }) => rule === 'rig.panelElsewhere');
  expect(found).toMatchObject({ severity: 'caution', subjects: [dimmer.id, 'pan_hide', 'pl_hpanel', 'pl_bench', expect.any(String)] });
  const remedies = remediesFor(now, found!);
  expect(remedies.map(({ label }) => label)).toEqual(['Put it where its panel is', 'Take it out of the panel']);
  for (const { change } of remedies)
    expect(analyse(done(astray, change)).findings.filter(({ rule }) => rule === 'rig.panelElsewhere')).toEqual([]);
});

test('a way to switch puts its new switch where the old one sat, legend and all, and a further one in the first free position', () => {
  const awning = deviceCalled(design, 'Awning strip');
  const way = (id: string) => WAYS.find((one) => one.id === id)!;
  const again = applyChange(design, wayTo(design, awning.id, way('relay'), NO_CHOICE)!.change);
  const third = positionsOf(again, panelOf(again))[2]!;
  expect(third.legend).toBe('Awning');
  expect(deviceCalled(design, 'Awning light switch').id).not.toBe(third.deviceId);
  expect(again.records.get(third.deviceId)).toMatchObject({ kind: 'switch', placeId: 'pl_hpanel' });
  const straight = applyChange(design, wayTo(design, awning.id, way('direct'), NO_CHOICE)!.change);
  expect(namesIn(straight)[2]).toBeNull();
});

function problemsOf(of: Design, change: Change): ProblemCode[] {
  try {
    applyChange(of, change);
    return [];
  } catch (error) {
    return (error as DesignError).problems.map(({ code }) => code);
  }
}

test('two things in one position, one thing in two, and a position that is not there are refused', () => {
  const [first, second] = positionsOf(design, panelOf(design));
  const update = (to: object): Change => ({ added: [], updated: [{ from: second!, to: { ...second!, ...to } }], removed: [] });
  expect(problemsOf(design, update({ position: 1 }))).toEqual(['positionTaken']);
  expect(problemsOf(design, update({ position: 11 }))).toEqual(['noSuchPosition']);
  expect(problemsOf(design, update({ deviceId: first!.deviceId }))).toEqual(['onTwoPanels']);
  expect(problemsOf(design, update({ control: 'lever' }))).toEqual(['noSuchControl']);
  // A panel made smaller by hand is refused while something sits beyond it.
  const panel = panelOf(design);
  expect(problemsOf(design, { added: [], updated: [{ from: panel, to: { ...panel, rows: 1 } }], removed: [] })).toContain('noSuchPosition');
  expect(problemsOf(design, unseat(design, first!.id))).toEqual([]);
});
