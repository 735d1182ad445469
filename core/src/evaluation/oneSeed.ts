import type { Pattern } from '../model/pattern'

/** A pattern whose own seed, where it has one, takes the place of those of its deal, its fill, its steps and its clearings. */
export function oneSeeded(pattern: Pattern): Pattern {
  const { seed, deal, layout, steps, clears } = pattern
  if (seed === undefined) return pattern
  return {
    ...pattern,
    deal: deal.kind === 'random' ? { ...deal, seed } : deal,
    layout: layout.kind === 'fill' ? { ...layout, seed } : layout,
    steps: steps.map((step) => (step.kind === 'vary' ? { ...step, seed } : step)),
    ...(clears && { clears: clears.map((clear) => ({ ...clear, seed })) }),
  }
}
