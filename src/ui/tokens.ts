/**
 * Colours are the custom properties of public/theme.css, so that day and night change without a
 * render. Caution and danger have a colour each that nothing else uses.
 */
export const color = {
  paper: 'var(--paper)',
  raised: 'var(--raised)',
  ink: 'var(--ink)',
  inkSoft: 'var(--ink-soft)',
  rule: 'var(--rule)',
  edge: 'var(--edge)',
  shoal1: 'var(--shoal-1)',
  shoal2: 'var(--shoal-2)',
  shoal3: 'var(--shoal-3)',
  deep: 'var(--deep)',
  magenta: 'var(--magenta)',
  danger: 'var(--danger)',
  watch: 'var(--watch)',
  kelp: 'var(--kelp)',
  veil: 'var(--veil)',
} as const;

export const space = { xs: 4, s: 8, m: 12, l: 16, xl: 24, xxl: 32 } as const;
export const radius = { fine: 2, soft: 6, round: 28 } as const;
/** The least height of anything a wet thumb has to hit. */
export const touch = 48;
/** Width from which there is a rail and more than one column. */
export const wideFrom = 900;
/** Up to this width of a window what can be spared goes. */
export const narrowTo = 345;
/** Room at the end of a screen. */
export const screenEnd = 40;

export const font = {
  sans: "'Public Sans', system-ui, sans-serif",
  serif: "'Source Serif 4', Georgia, serif",
} as const;
