import { readLook, type WireLook } from '../catalog/wireColours';
import { LIMITS } from '../catalog/vocabulary';
import type { Edit } from '../design/edit';
import { newId } from '../design/ids';
import type { Device, Kit, Lead } from '../design/schema';
import { kindOf } from '../devices';

/** Who says what of a part's leads, where nobody said otherwise. */
export const USUAL_SOURCE = 'its sheet';

/** Why a text is no list of leads, as plain facts; `core/wording` says it. */
export type LeadRefusal = { why: 'colour'; said: string } | { why: 'terminal'; said: string } | { why: 'nothing' };

/**
 * Leads as people list them: "red plus, black minus, yellow with black out". A lead without a terminal is not known; "nothing" or "unused"
 * is a lead that is not used.
 * @param called what each of the device's terminals may be called, beside its own name
 */
export function readLeads(
  device: Device,
  text: string,
  called: (terminal: string) => string,
): { look: WireLook; terminal: string | null | undefined }[] | LeadRefusal {
  const entries = text.split(/[,;\n]+/).map((entry) => entry.trim()).filter(Boolean); // prettier-ignore
  if (entries.length === 0) return { why: 'nothing' };
  const terminals = kindOf(device).terminals(device);
  const found: { look: WireLook; terminal: string | null | undefined }[] = [];
  for (const entry of entries) {
    const words = entry.split(/\s*[=:]\s*|\s+/);
    // As many of the first words as make a colour, the rest says what it is.
    const taken = [3, 2, 1].find((count) => /[a-z]/i.test(words[count - 1] ?? '') && readLook(words.slice(0, count).join(' ')));
    if (taken === undefined) return { why: 'colour', said: entry };
    const rest = words.slice(taken).join(' ').toLowerCase();
    const terminal = terminals.find((one) => one.toLowerCase() === rest || called(one).toLowerCase() === rest || SAME[rest] === one);
    if (rest !== '' && terminal === undefined && !UNUSED.has(rest)) return { why: 'terminal', said: rest };
    found.push({ look: readLook(words.slice(0, taken).join(' '))!, terminal: UNUSED.has(rest) ? null : terminal });
  }
  return found;
}
const UNUSED: ReadonlySet<string> = new Set(['nothing', 'unused', 'not used', 'none']);
/** Common practice: what poles are called on parts. */
const SAME: Record<string, string> = { '+': 'plus', positive: 'plus', '-': 'minus', '−': 'minus', negative: 'minus', ground: 'minus', earth: 'minus', output: 'out', input: 'in' }; // prettier-ignore

/** Gives a device its leads. */
export function addLeads(edit: Edit, device: Device, listed: readonly { look: WireLook; terminal: string | null | undefined }[]): void {
  for (const { look, terminal } of listed)
    edit.add({
      ...{ id: newId('lead'), type: 'lead', deviceId: device.id, ...look },
      says: terminal === undefined ? [] : [{ by: USUAL_SOURCE, terminal }],
    });
}

/** Sets what one source says of a lead; undefined: it says nothing of it. */
export function setClaim(edit: Edit, lead: Lead, by: string, terminal: string | null | undefined): void {
  const others = lead.says.filter((claim) => claim.by !== by);
  edit.set(lead, { says: terminal === undefined ? others : [...others, { by, terminal }] });
}

/** The next free name of a kit. */
export function addKit(edit: Edit, name: string): Kit {
  return edit.add({ id: newId('kit'), type: 'kit', name: name.slice(0, LIMITS.nameLength), lacks: [], leftOver: [] });
}

/** Makes these devices, and no others, the ones that come in a kit, with the wires between them. */
export function setKitDevices(edit: Edit, kit: Kit, deviceIds: readonly string[]): void {
  const mine = new Set(deviceIds);
  for (const record of edit.design.records.values()) {
    if (record.type !== 'device' && record.type !== 'wire') continue;
    const isMine = record.type === 'device' ? mine.has(record.id) : mine.has(record.from.deviceId) && mine.has(record.to.deviceId);
    if (isMine && record.kitId !== kit.id) edit.set(record, { kitId: kit.id });
    if (!isMine && record.kitId === kit.id) edit.set(record, { kitId: undefined });
  }
}
