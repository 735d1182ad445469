import type { Pattern } from '@hilera/core/model/pattern'
import type { Quantity } from '@hilera/core/numbers/units'

/** A number of a pattern that proofs can change: a seed, or a value with a range. */
export interface Channel {
  readonly key: string
  readonly words: string
  readonly quantity: Quantity
  readonly seed: boolean
  read(pattern: Pattern): number
  write(pattern: Pattern, value: number): void
}

/** Seeds, and values that change how a crowd looks, in the order in which the pattern is worked out. */
export function channelsOf(pattern: Pattern): Channel[] {
  const out: Channel[] = []
  const { layout, deal } = pattern
  const add = (
    key: string,
    words: string,
    quantity: Quantity,
    read: (p: Pattern) => number | undefined,
    write: (p: Pattern, value: number) => void,
  ): void => void out.push({ key, words, quantity, seed: key.endsWith('seed'), read: (p) => read(p) ?? 0, write })
  if (layout.kind === 'fill') {
    const fill = (p: Pattern) => (p.layout.kind === 'fill' ? p.layout : undefined)
    add(
      'fill seed',
      'the seed of the fill',
      'count',
      (p) => fill(p)?.seed,
      (p, v) => p.layout.kind === 'fill' && (p.layout.seed = Math.round(v)),
    )
    add(
      'fill count',
      'the count',
      'count',
      (p) => fill(p)?.count,
      (p, v) => p.layout.kind === 'fill' && (p.layout.count = Math.max(1, Math.round(v))),
    )
  }
  if (deal.kind === 'random')
    add(
      'deal seed',
      'the seed of the deal',
      'count',
      (p) => (p.deal.kind === 'random' ? p.deal.seed : 0),
      (p, v) => p.deal.kind === 'random' && (p.deal.seed = Math.round(v)),
    )
  for (const [i, step] of pattern.steps.entries()) {
    if (step.kind !== 'vary') continue
    const at = (p: Pattern) => p.steps.find((s) => s.id === step.id && s.kind === 'vary')
    const told = `step ${i + 1}`
    const vary = (p: Pattern, edit: (s: Extract<Pattern['steps'][number], { kind: 'vary' }>) => void): void => {
      const found = at(p)
      if (found?.kind === 'vary') edit(found)
    }
    add(
      `${step.id} seed`,
      `the seed of ${told}`,
      'count',
      (p) => {
        const found = at(p)
        return found?.kind === 'vary' ? found.seed : 0
      },
      (p, v) => vary(p, (s) => void (s.seed = Math.round(v))),
    )
    add(
      `${step.id} strength`,
      `the strength of ${told}`,
      'share',
      (p) => {
        const found = at(p)
        return found?.kind === 'vary' ? found.strength : 0
      },
      (p, v) => vary(p, (s) => void (s.strength = Math.min(1, Math.max(0, v)))),
    )
  }
  const seeds = out.filter((c) => c.seed)
  const all = { key: 'all seed', quantity: 'count', seed: true } as const
  if (pattern.seed !== undefined) {
    // One seed takes the place of all of them.
    for (const seed of seeds) out.splice(out.indexOf(seed), 1)
    out.unshift({
      ...all,
      words: 'its seed',
      read: (p) => p.seed ?? 0,
      write: (p, v) => void (p.seed = Math.round(v)),
    })
  } else if (seeds.length > 1)
    out.unshift({
      ...all,
      words: 'all its seeds',
      read: (p) => seeds[0].read(p),
      write: (p, v) => seeds.forEach((c) => c.write(p, v)),
    })
  for (const clear of pattern.clears ?? [])
    add(
      `${clear.id} clearance`,
      'the clearance',
      'length',
      (p) => p.clears?.find((c) => c.id === clear.id)?.clearance,
      (p, v) => {
        const found = p.clears?.find((c) => c.id === clear.id)
        if (found) found.clearance = Math.max(0, v)
      },
    )
  return out
}
