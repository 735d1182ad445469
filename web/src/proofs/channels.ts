import type { Dial } from '@hilera/core/layouts/definition'
import { definitionOf } from '@hilera/core/layouts/index'
import { type Pattern, pattern as patternSchema } from '@hilera/core/model/pattern'
import type { Quantity } from '@hilera/core/numbers/units'
import { stepDefinitionOf } from '@hilera/core/steps/index'
import { seededAt, walk } from '@hilera/core/values/walk'

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
  const seeds = seedsOf(pattern)
  const own = pattern.seed !== undefined
  const all: Channel[] = own
    ? [{ ...oneSeed, words: 'its seed', read: (p) => p.seed ?? 0, write: (p, v) => void (p.seed = Math.round(v)) }]
    : seeds.length > 1
      ? [
          {
            ...oneSeed,
            words: 'all its seeds',
            read: (p) => seeds[0].read(p),
            write: (p, v) => seeds.forEach((c) => c.write(p, v)),
          },
        ]
      : []
  return [
    ...all,
    // One seed takes the place of all of them.
    ...(own ? [] : seeds),
    ...dialsOf(pattern),
  ]
}

const oneSeed = { key: 'all seed', quantity: 'count', seed: true } as const

/** Every number that the schema marks as a seed, but for the one of the whole and what the pattern was before. */
function seedsOf(pattern: Pattern): Channel[] {
  const found: Channel[] = []
  walk(patternSchema, pattern, ({ mark, path }) => {
    if (mark.says !== 'seed' || path.length === 1 || path[0] === 'was') return
    const [of, at] = path
    const step = of === 'steps' ? pattern.steps[at as number] : undefined
    const words = step
      ? `the seed of step ${(at as number) + 1}`
      : `the seed of the ${of === 'layout' ? pattern.layout.kind : String(of)}`
    // A step is found by its id, wherever it stands by then.
    const pathIn = (p: Pattern): typeof path =>
      step ? ['steps', p.steps.findIndex((s) => s.id === step.id), ...path.slice(2)] : path
    found.push({
      key: step ? `${step.id} seed` : `${path.join('.')} seed`,
      words,
      quantity: 'count',
      seed: true,
      read: (p) => seededAt(p, pathIn(p)).value,
      write: (p, v) => seededAt(p, pathIn(p)).set(Math.round(v)),
    })
  })
  return found
}

/** The numbers that the layout and the steps name themselves. */
function dialsOf(pattern: Pattern): Channel[] {
  const channel = <T>(prefix: string, of: string, dial: Dial<T>, find: (p: Pattern) => T | undefined): Channel => ({
    key: `${prefix} ${dial.key}`,
    words: `${dial.words}${of}`,
    quantity: dial.quantity,
    seed: false,
    read: (p) => {
      const value = find(p)
      return value === undefined ? 0 : dial.read(value)
    },
    write: (p, to) => {
      const value = find(p)
      if (value !== undefined) dial.write(value, to)
    },
  })
  const { layout, steps } = pattern
  return [
    ...(definitionOf(layout).dials ?? []).map((dial) =>
      channel(layout.kind, '', dial, (p) => (p.layout.kind === layout.kind ? p.layout : undefined)),
    ),
    ...steps.flatMap((step, i) =>
      (stepDefinitionOf(step).dials ?? []).map((dial) =>
        channel(step.id, ` of step ${i + 1}`, dial, (p) => p.steps.find((s) => s.id === step.id)),
      ),
    ),
  ]
}
