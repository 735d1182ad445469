import type { Variation, Varied } from '../../values/variation'

/** A variation as it starts out, by what varies. */
export function startVariation(what: Varied, seed: number): Variation {
  const more = { what, spread: 'even' as const, axes: 'copy' as const, seed }
  if (what === 'color') return { ...more, low: 0, high: 1, colors: { from: '#a8325e', to: '#e2b259', shades: 8 } }
  if (what.startsWith('size')) return { ...more, low: 0.9, high: 1 / 0.9 }
  if (what.startsWith('move')) return { ...more, low: -0.005, high: 0.005 }
  if (what === 'tilt') return { ...more, low: 0, high: (6 * Math.PI) / 180 }
  return { ...more, low: (-6 * Math.PI) / 180, high: (6 * Math.PI) / 180 }
}
