import { lookCode } from '../../catalog/wireColours';
import { recordsOf } from '../../design/design';
import { confusedWith, isReturnColour, lookOf, SCHOOLS } from '../../harness/colourWires';
import { harnessOf, type HarnessWire } from '../../harness/schedule';
import type { Finding } from '../finding';
import type { Analysis } from '../types';

/** The wires as they are coloured, numbered and ended. Nothing is asked of a design whose wires nobody has begun to number or colour. */
export function findHarness({ design, index, wiring }: Analysis): Finding[] {
  const wires = recordsOf(design, 'wire');
  if (!wires.some(({ number, colour }) => number !== undefined || colour !== undefined)) return [];
  const lines = harnessOf(index, wiring).wires;
  return [
    ...alike(index, lines),
    ...againstSchool(index.settings.colourSchool ?? 'pole', lines),
    ...twice(lines),
    ...unended(lines),
    ...open(lines),
  ];
}

function found(
  rule: Finding['rule'],
  severity: Finding['severity'],
  subjects: string[],
  circuitId: string | null,
  numbers: Finding['numbers'] = {},
): Finding {
  return { rule, severity, subjects, circuitId, numbers };
}

/** Two wires that look the same where one could be taken for the other. Each pair once. */
function alike(index: Analysis['index'], lines: readonly HarnessWire[]): Finding[] {
  const beside = confusedWith(index);
  const byId = new Map(lines.map((line) => [line.wire.id, line]));
  return lines.flatMap(({ wire, look, role }) => {
    if (!look || role.duty === 'return') return [];
    const twins = Array.from(beside.get(wire.id)!).filter((id) => {
      const other = byId.get(id);
      const its = other && lookOf(other.wire);
      return its && other.role.duty !== 'return' && id > wire.id && lookCode(its) === lookCode(look);
    });
    return twins.map((id) => found('harness.alike', 'caution', [wire.id, id], role.circuitId, { look: lookCode(look) }));
  });
}

/** A live wire in a colour that means return in the school chosen, or a return in one that means live. */
function againstSchool(school: keyof typeof SCHOOLS, lines: readonly HarnessWire[]): Finding[] {
  return lines.flatMap(({ wire, look, role }) => {
    if (!look) return [];
    const isReturn = role.duty === 'return';
    const isWrong = isReturn
      ? SCHOOLS[school].live.includes(look.colour)
      : isReturnColour(school, look.colour) && !SCHOOLS[school][role.duty].includes(look.colour);
    const isLamp = !isReturn && (SCHOOLS[school].lamps?.includes(look.colour) ?? false);
    return isWrong && !isLamp
      ? [found('harness.returnColour', 'caution', [wire.id], role.circuitId, { look: lookCode(look), isReturn: isReturn ? 1 : 0 })]
      : [];
  });
}

function twice(lines: readonly HarnessWire[]): Finding[] {
  const first = new Map<string, HarnessWire>();
  return lines.flatMap((line) => {
    const other = first.get(line.number);
    first.set(line.number, other ?? line);
    return other
      ? [found('harness.numberTwice', 'caution', [line.wire.id, other.wire.id], line.role.circuitId, { number: line.number })]
      : [];
  });
}

/** Conductors no insulated terminal is made for. */
function unended(lines: readonly HarnessWire[]): Finding[] {
  return lines.flatMap(({ wire, from, to, role }) => {
    const isBare = [from, to].some(({ ending }) => ending.fits === 'none' && CRIMPED.has(ending.kind));
    return isBare ? [found('harness.noTerminal', 'caution', [wire.id], role.circuitId)] : [];
  });
}
const CRIMPED: ReadonlySet<string> = new Set(['ring', 'receptacle', 'blade', 'butt', 'tap']);

/** Wires with no number of their own or no colour, told once. */
function open(lines: readonly HarnessWire[]): Finding[] {
  const bare = lines.filter(({ isNumbered, look }) => !isNumbered || look === null);
  const [first] = bare;
  return first ? [found('harness.unfinished', 'note', [first.wire.id], null, { count: bare.length, of: lines.length })] : [];
}
