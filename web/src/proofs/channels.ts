import { type Pattern, pattern as patternSchema } from '@hilera/core/model/pattern'
import type { Project } from '@hilera/core/model/project'
import type { Quantity } from '@hilera/core/numbers/units'
import { knowledge } from '@hilera/core/sentences/knowledge'
import { type PatternNumber, patternNumbers } from '@hilera/core/sentences/patternNumbers'
import { inPhases } from '@hilera/core/steps/index'
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
  const seeds = seedsOf(pattern, project)
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

/** What shows in no proof: earlier states, and motion, of which proofs are stills. */
const UNSEEN: readonly unknown[] = ['was', 'baseline', 'motion']

/** Every number that the schema marks as a seed, but for the one of the whole, and for those that change nothing that is seen. */
function seedsOf(pattern: Pattern, project: Project): Channel[] {
  const found: Channel[] = []
  const isDrawn = allNumbers(pattern, project).some((n) => n.of === 'layout' && n.writeSeed)
  walk(patternSchema, pattern, 'seed', ({ path }) => {
    const [of, at] = path
    // A layout says its seed where it draws by it.
    if (path.length === 1 || UNSEEN.includes(of) || (of === 'layout' && !isDrawn)) return
    const step = of === 'steps' ? pattern.steps[at as number] : undefined
    const words = step
      ? `the seed of step ${inPhases(pattern.steps).indexOf(step) + 1}`
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

/** Seeds are told apart by what the schema marks: some are said in no sentence. */
const plainNumbers = (pattern: Pattern, project: Project): PatternNumber[] =>
  allNumbers(pattern, project).filter((n) => !n.writeSeed)
const allNumbers = (pattern: Pattern, project: Project): PatternNumber[] =>
  patternNumbers(pattern, { knows: knowledge, project, unit: project.unit })

/** Every number that the sentences of a pattern say, their quiet clauses among them. */
const numbersOf = (pattern: Pattern, project: Project): Channel[] =>
  plainNumbers(pattern, project).map(({ of, label, ...number }) => ({
    ...number,
    key: `${of === 'layout' ? pattern.layout.kind : of} ${label}`,
    seed: false,
  }))
