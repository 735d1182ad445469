import { dealSentence } from '@hilera/core/deal/sentence'
import { definitionOf } from '@hilera/core/layouts/index'
import { type Pattern, pattern as patternSchema } from '@hilera/core/model/pattern'
import type { Project } from '@hilera/core/model/project'
import { placeSentence } from '@hilera/core/model/sentence'
import type { Quantity } from '@hilera/core/numbers/units'
import { knowledge } from '@hilera/core/sentences/knowledge'
import { bind, fieldsOf } from '@hilera/core/sentences/bind'
import type { Template } from '@hilera/core/sentences/nodes'
import { stepDefinitionOf } from '@hilera/core/steps/index'
import { seededAt, walk } from '@hilera/core/values/walk'
import type { Sentence } from '@hilera/core/words'

/** A number of a pattern that proofs can change: a seed, or a value with a range. */
export interface Channel {
  readonly key: string
  readonly words: string
  readonly quantity: Quantity
  readonly seed: boolean
  read(pattern: Pattern): number
  write(pattern: Pattern, value: number): void
  /** Why a value cannot be taken. */
  check?(value: number): Sentence | undefined
}

/** Seeds, and every number that its sentences say, in the order in which the pattern is worked out. */
export function channelsOf(pattern: Pattern, project: Project): Channel[] {
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
    ...numbersOf(pattern, project),
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

/** Every number that the sentences of a pattern say, their quiet clauses among them. */
function numbersOf(pattern: Pattern, project: Project): Channel[] {
  const around = { knows: knowledge, project, unit: project.unit, pattern }
  const said = <T>(prefix: string, of: string, template: Template<T>, into: (p: Pattern) => T): Channel[] =>
    fieldsOf(bind(template, { root: pattern, into }, around)).flatMap((field) =>
      field.is !== 'number' || field.isSeed
        ? []
        : [
            {
              key: `${prefix} ${field.label}`,
              words: `the ${field.label[0].toLowerCase()}${field.label.slice(1)}${of}`,
              quantity: field.quantity,
              seed: false,
              read: field.read,
              write: (p, to) => field.write(p, field.quantity === 'count' ? Math.round(to) : to),
              check: (to) => field.check(field.quantity === 'count' ? Math.round(to) : to),
            },
          ],
    )
  const { layout, steps } = pattern
  return [
    ...said(layout.kind, '', definitionOf(layout).sentence, (p) => p.layout),
    ...said('deal', ' of the deal', dealSentence, (p) => p),
    ...steps.flatMap((step, i) =>
      said(step.id, ` of step ${i + 1}`, stepDefinitionOf(step).sentence, (p) =>
        p === pattern ? step : p.steps.find((s) => s.id === step.id)!,
      ),
    ),
    ...said('place', ' of its place', placeSentence, (p) => p),
  ]
}
