import fc, { type Arbitrary } from 'fast-check'
import { deal } from '../../src/deal/schema'
import { definitionOf, type Layout, type LayoutKind, layoutKinds } from '../../src/layouts/index'
import { layouts } from '../../src/layouts/registry'
import { type Ground, ground } from '../../src/model/ground'
import type { Part, PartFrame } from '../../src/model/part'
import { fit, type Pattern, touchUp } from '../../src/model/pattern'
import { type Project, emptyProject, readProject } from '../../src/model/project'
import { type Movement, movementKinds } from '../../src/motion/index'
import { movements } from '../../src/motion/registry'
import { knowledge } from '../../src/sentences/knowledge'
import { patternNumbers } from '../../src/sentences/patternNumbers'
import { type Step, stepKinds } from '../../src/steps/index'
import { steps } from '../../src/steps/registry'
import { box } from '../projects'
import { anyOf, type Names } from './values'

const leaf: Part = { ...box('leaf', 0.05), shape: { kind: 'box', width: 0.05, height: 0.02, depth: 0.03 } }
/** A box, one that is not its own mirror image, its twin, a part of parts, and variants. */
const parts: readonly Part[] = [
  { ...box('tin', 0.05), shape: { kind: 'box', width: 0.05, height: 0.08, depth: 0.05 }, variants: ['leaf'] },
  leaf,
  { ...leaf, id: 'leaf-twin', name: 'leaf twin', shape: { kind: 'twin', of: 'leaf' } },
  {
    ...leaf,
    id: 'pair',
    name: 'pair',
    shape: {
      kind: 'assembly',
      members: [
        { id: 'm1', part: 'tin', move: [0, 0, 0], turn: [0, 0, 0], size: [1, 1, 1] },
        { id: 'm2', part: 'leaf', move: [0.06, 0, 0], turn: [0, 0.4, 0], size: [1, 1.5, 1] },
      ],
    },
  },
]
const partIds = parts.map((p) => p.id)
/**
 * The part of parts mostly stands as it was made, and may have another pivot or lie on a side. The others keep their pivots in the planes in
 * which they are their own mirror images: laws that mirror compare pivots, and beside such a plane an image of the same shape has another.
 */
const anyParts: Arbitrary<Part[]> = fc
  .oneof(
    { weight: 3, arbitrary: fc.constant(undefined) },
    fc.constantFrom<PartFrame[]>(
      { pivot: [0.01, 0.02, -0.03], up: 'top', front: 'front' },
      { pivot: [0, 0.03, 0], up: 'right', front: 'top' },
    ),
  )
  .map((frame) => parts.map((part) => (part.id === 'pair' && frame ? { ...part, frame } : part)))
const GROUNDS = ['ground-0', 'ground-1']

/**
 * Copies that widen with each of them hardly ever come too near each other: more than the most fit. Unless they are short
 * against the widening, that is found out by measuring as many as a pattern can place, which takes seconds.
 */
const isEndless = (layout: object): boolean =>
  'widenPer' in layout && 'hold' in layout && !(layout.hold as string[]).includes('count')

/** A pattern that rests only on parts and on patterns before it. */
function patternAfter(before: readonly string[], k: number): Arbitrary<Pattern> {
  const id = `pattern-${k}`
  const names: Names = (to, takes) => {
    if (to === 'pattern') return before
    if (to === 'set') return ['set-1']
    if (to === 'ground') return GROUNDS
    if (to === 'group' || to === 'file') return []
    return to === 'thing' && takes === 'copies' && before.length > 0 ? [...partIds, before[0]] : partIds
  }
  const kinds = layoutKinds.filter((kind) => before.length > 0 || definitionOf({ kind }).needs !== 'pattern')
  const layoutOf = (kind: LayoutKind): Arbitrary<Layout> =>
    fc
      .oneof(
        fc.constant(
          definitionOf({ kind }).begin({
            width: 0.06,
            height: 0.06,
            depth: 0.06,
            unit: 'mm',
            ground: GROUNDS[0],
            ...(before[0] && { host: before[0] }),
          }),
        ),
        anyOf(layouts[kind].schema, names),
      )
      // Sources are patterns here: groups and files are not made.
      .filter(
        (layout) => !JSON.stringify(layout).includes('"nobody"') && !isEndless(layout as object),
      ) as Arbitrary<Layout>
  const step = fc
    .constantFrom(...stepKinds)
    .chain((kind) => anyOf(steps[kind].schema, names))
    .filter((made) => !JSON.stringify(made).includes('"nobody"')) as Arbitrary<Step>
  const movement = fc
    .constantFrom(...movementKinds)
    .chain((kind) => anyOf(movements[kind].schema, names)) as Arbitrary<Movement>
  return fc
    .record({
      id: fc.constant(id),
      name: fc.constant(id),
      place: fc.record({
        move: fc.tuple(fc.constantFrom(0, 0.3), fc.constant(0), fc.constantFrom(0, -0.4)),
        turn: fc.constantFrom([0, 0, 0], [0, 0.7, 0], [0.2, -0.4, 0.1]),
      }),
      deal: anyOf(deal, names),
      layout: fc.constantFrom(...kinds).chain(layoutOf),
      steps: fc.uniqueArray(step, { maxLength: 3, selector: (s) => s.id }),
      touchUps: fc.dictionary(fc.constantFrom('0', '1', '2', '10000'), anyOf(touchUp, names), { maxKeys: 3 }),
      hidden: fc.boolean(),
      motion: fc.option(fc.uniqueArray(movement, { minLength: 1, maxLength: 2, selector: (m) => m.id }), {
        nil: undefined,
      }),
      fits: fc.dictionary(fc.constantFrom('tin', 'leaf'), anyOf(fit, names), { maxKeys: 1 }),
      plain: fc.subarray(['tin', 'leaf']),
    })
    .map((made) => withRealNumbers(made as Pattern))
}

/** Numbers that change are some that the pattern's sentences say; which one follows from what was made up. */
function withRealNumbers(pattern: Pattern): Pattern {
  if (!pattern.motion?.some(({ kind }) => kind === 'change')) return pattern
  const project = { ...emptyProject('Any'), patterns: [pattern] }
  const numbers = patternNumbers(pattern, { knows: knowledge, project, unit: 'mm' })
  const motion = pattern.motion.map((movement) => {
    if (movement.kind !== 'change' || numbers.length === 0) return movement
    const { of, label, quantity } = numbers[Math.floor(Math.abs(movement.from.value) * 997) % numbers.length]
    return { ...movement, of, value: label, quantity }
  })
  return { ...pattern, motion }
}

/** Two grounds of any kind that needs no file, one of them perhaps the surface of a part. */
const anyGrounds = fc.tuple(
  ...GROUNDS.map((id) =>
    anyOf(ground, (to) => (to === 'part' ? partIds : []))
      .filter((made) => !JSON.stringify(made).includes('"nobody"'))
      .map((made) => ({ ...(made as Ground), id, name: id })),
  ),
)

/** Whole projects: every layout, deal and step, on and in each other. */
export const anyProject: Arbitrary<Project> = fc
  .integer({ min: 1, max: 4 })
  .chain((count) =>
    fc.tuple(
      ...Array.from({ length: count }, (_, k) =>
        patternAfter(
          Array.from({ length: k }, (_, i) => `pattern-${i}`),
          k,
        ),
      ),
    ),
  )
  .chain((patterns) => fc.record({ patterns: fc.constant(patterns), grounds: anyGrounds, parts: anyParts }))
  .map(({ patterns, grounds, parts }) => ({
    ...emptyProject('Any'),
    parts,
    grounds,
    patterns: patterns.map((p) => ({
      ...p,
      deal: p.deal.parts.length === 0 ? { ...p.deal, parts: ['tin'] } : p.deal,
    })) as Pattern[],
    sets: [{ id: 'set-1', name: 'Some', copies: { 'pattern-0': ['0', '2'] } }],
  }))
  .filter((doc) => readProject(structuredClone(doc)).ok)
