/** How users are told apart. Sources are hatched, each its own way, so that they are never taken for a user. */
export const USE_TONES = [
  'var(--copper)',
  'var(--stem)',
  'var(--measured)',
  'var(--brick)',
  'var(--slate)',
  'var(--line-strong)',
  'var(--line)',
];

export const HATCHES = {
  Sun: { tone: 'var(--amber)', turn: 45 },
  Driving: { tone: 'var(--ink-soft)', turn: -45 },
  Hookup: { tone: 'var(--stem)', turn: 0 },
} as const;

export function hatchOf(source: keyof typeof HATCHES): string {
  return `url(#hatch-${source})`;
}
