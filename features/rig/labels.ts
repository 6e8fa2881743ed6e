/** Where a name is written beside its mark. */
export interface Label {
  id: string;
  x: number;
  y: number;
  anchor: 'start' | 'end' | 'middle';
}

export interface Box {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

interface Wanted {
  id: string;
  text: string;
  x: number;
  y: number;
  /** The higher, the sooner it gets room; from 2 on it is written even over others. */
  rank: number;
}

const GAP = 9;
const HEIGHT = 15;
const PER_LETTER = 6.1;

/** Puts names beside marks where none covers another, a mark or what is kept free; those that find no room in the drawing are left out. */
export function placeLabels(wanted: readonly Wanted[], width: number, kept: readonly Box[] = []): Map<string, Label> {
  const taken: Box[] = [...kept, ...wanted.map(({ x, y }) => ({ left: x - 5, right: x + 5, top: y - 5, bottom: y + 5 }))];
  const labels = new Map<string, Label>();
  for (const { id, text, x, y, rank } of [...wanted].sort((a, b) => b.rank - a.rank)) {
    const long = text.length * PER_LETTER;
    const tries: { label: Label; left: number; top: number }[] = [
      { label: { id, x: x + GAP, y: y + 4, anchor: 'start' }, left: x + GAP, top: y - HEIGHT / 2 },
      { label: { id, x: x - GAP, y: y + 4, anchor: 'end' }, left: x - GAP - long, top: y - HEIGHT / 2 },
      { label: { id, x, y: y - GAP, anchor: 'middle' }, left: x - long / 2, top: y - GAP - HEIGHT + 3 },
      { label: { id, x, y: y + GAP + 10, anchor: 'middle' }, left: x - long / 2, top: y + GAP - 2 },
    ];
    const inside = tries.filter(({ left }) => left > 2 && left + long < width - 2);
    const fits = inside.find(({ left, top }) =>
      taken.every((box) => left + long < box.left || left > box.right || top + HEIGHT < box.top || top > box.bottom),
    );
    const chosen = fits ?? (rank >= 2 ? (inside[0] ?? tries[0]) : undefined);
    if (!chosen) continue;
    labels.set(id, chosen.label);
    taken.push({ left: chosen.left, right: chosen.left + long, top: chosen.top, bottom: chosen.top + HEIGHT });
  }
  return labels;
}
