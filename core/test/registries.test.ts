import { describe, expect, it, vi } from 'vitest'
import type { z } from 'zod'
import { Evaluator, type PatternOutcome } from '../src/evaluate'
import type { FindingDefinition } from '../src/findings/definition'
import { findingsOf } from '../src/findings/findings'
import { definitionOf, layoutKinds, unrolled } from '../src/layouts/index'
import type { LayoutDefinition } from '../src/layouts/definition'
import { type Project, readProject } from '../src/model/project'
import { keepersOf, removed } from '../src/model/references'
import type { ReaderDefinition } from '../src/readers/definition'
import { readPartFile } from '../src/readers/partFile'
import type { MovementDefinition } from '../src/motion/definition'
import { movementDefinitionOf, movementKinds } from '../src/motion/index'
import { Playing } from '../src/motion/playing'
import { patternAsText } from '../src/sentences/patternText'
import { knowledge } from '../src/sentences/knowledge'
import { readText } from '../src/sentences/read'
import { workedScene } from '../src/writers/scene'
import { glb } from '../src/writers/glb/index'
import type { StepDefinition } from '../src/steps/definition'
import { stepDefinitionOf, stepKinds } from '../src/steps/index'
import type { WriterDefinition } from '../src/writers/definition'
import { writerFor } from '../src/writers/index'
import { aLine, aPattern, aProject, box } from './projects'

/** A layout that nobody has: copies on stairs, beside another pattern that it names. */
vi.mock('../src/layouts/registry', async (original) => {
  const { z } = await import('zod')
  const { ref } = await import('../src/values/marks')
  const { done } = await import('../src/words')
  const { sentenceOf } = await import('../src/sentences/nodes')
  const { layouts } = await original<{ layouts: object }>()
  const schema = z.object({ kind: z.literal('stairs'), treads: z.int().min(1), by: ref('pattern', 'aside').optional() })
  type Stairs = z.infer<typeof schema>
  const say = sentenceOf<Stairs>()
  const stairs: LayoutDefinition<Stairs, { kind: 'stairs'; treads: number }> = {
    schema,
    words: 'Stairs',
    note: 'one on each tread',
    sentence: ['Place one on each of ', say.number('treads', { label: 'Treads', quantity: 'count' }), ' treads.'],
    summary: ({ treads }) => `${treads} treads`,
    begin: () => ({ kind: 'stairs', treads: 4 }),
    place: ({ treads }, { dealt }) =>
      done({
        facts: [],
        working: [],
        outcome: { kind: 'stairs', treads },
        write(table) {
          table.neutral(treads)
          for (let k = 0; k < treads; k++) {
            table.position.set([0.3 * k, 0.2 * k, 0], 3 * k)
            table.slotLow[k] = k
          }
          dealt.deal(table)
        },
      }),
    more: (_, laid, by) => (l) => void (l.treads = laid.treads + by),
    unroll: (_, { table }) => ({ as: 'nearest', distances: new Float64Array(table.count) }),
  }
  return { layouts: { ...layouts, stairs } }
})
/** A movement that nobody has: copies roll along across. */
vi.mock('../src/motion/registry', async (original) => {
  const { z } = await import('zod')
  const { ownId } = await import('../src/values/marks')
  const { done } = await import('../src/words')
  const { sentenceOf } = await import('../src/sentences/nodes')
  const { RESTS } = await import('../src/motion/state')
  const { movements } = await original<{ movements: object }>()
  const schema = z.object({ kind: z.literal('roll'), id: ownId(), speed: z.number() })
  const roll: MovementDefinition<z.infer<typeof schema>> = {
    schema,
    words: 'Roll',
    note: 'along across',
    sentence: [
      'They roll ',
      sentenceOf<{ speed: number }>().number('speed', { label: 'Speed', quantity: 'length' }),
      ' a second.',
    ],
    summary: () => 'roll',
    begin: (id) => ({ kind: 'roll', id, speed: 0.1 }),
    prepare: ({ speed }, casts) =>
      done(
        casts.map(() => ({
          at: (_, time) => ({ ...RESTS, move: [speed * time, 0, 0] }),
          bars: [],
          turns: () => [],
          finest: Infinity,
          facts: [],
        })),
      ),
  }
  return { movements: { ...movements, roll } }
})
vi.mock('../src/steps/registry', async (original) => {
  const { z } = await import('zod')
  const { ownId } = await import('../src/values/marks')
  const { sentenceOf } = await import('../src/sentences/nodes')
  const { steps } = await original<{ steps: object }>()
  const schema = z.object({ kind: z.literal('lift'), id: ownId(), by: z.number() })
  const lift: StepDefinition<z.infer<typeof schema>> = {
    schema,
    words: 'Lift',
    note: 'higher',
    phase: 'settle',
    sentence: [
      'Lift them by ',
      sentenceOf<z.infer<typeof schema>>().number('by', { label: 'By', quantity: 'length' }),
      '.',
    ],
    begin: (id) => ({ kind: 'lift', id, by: 1 }),
    apply(table, { by }) {
      for (let k = 0; k < table.count; k++) table.position[3 * k + 1] += by
      return { facts: [] }
    },
  }
  return { steps: { ...steps, lift } }
})
vi.mock('../src/findings/registry', async (original) => {
  const { inEachPattern } = await import('../src/findings/eachPattern')
  const { findings } = await original<{ findings: object }>()
  const high: FindingDefinition = {
    weight: 9,
    find: inEachPattern(() => (_, { table }) => {
      const rows = Array.from({ length: table.count }, (_, k) => k).filter((k) => table.position[3 * k + 1] > 1)
      return rows.length > 0 ? { count: rows.length, worst: 1, rows } : undefined
    }),
    says: ({ count, pattern }, nameOf) => [`${count} of ${nameOf(pattern!)} stand high`],
    fixes: [],
  }
  return { findings: { ...findings, high } }
})
vi.mock('../src/readers/registry', async (original) => {
  const { readers } = await original<{ readers: readonly ReaderDefinition[] }>()
  const dot: ReaderDefinition = {
    words: 'DOT',
    article: 'a',
    endings: ['dot'],
    read: (bytes, name, unit) => readers.find((r) => r.endings.includes('obj'))!.read(bytes, name, unit),
  }
  return { readers: [...readers, dot] }
})
vi.mock('../src/writers/registry', async (original) => {
  const { writers } = await original<{ writers: { readonly glb: WriterDefinition } }>()
  const list: WriterDefinition = {
    ...writers.glb,
    ending: 'list',
    words: 'a list',
    choices: [],
    usual: () => ({}),
    cannotHold: () => ['anything but places'],
  }
  return { writers: { ...writers, list } }
})

/** Made-up kinds are not in the types; they come in like documents from outside. */
const read = (patterns: unknown[]) => {
  const made = readProject({ ...aProject([box('tin', 0.1)]), patterns })
  if (!made.ok) throw new Error(JSON.stringify(made.problem))
  return made.value
}
const stairs = (change: object = {}, steps: unknown[] = []) => ({
  ...aPattern(aLine(), ['tin'], { id: 'stairs', name: 'Stairs' }),
  layout: { kind: 'stairs', treads: 6, ...change },
  steps,
})
const evaluateAll = (doc: Project): PatternOutcome[] => new Evaluator().evaluate(doc, new Map())
const heights = (outcome: PatternOutcome): number[] =>
  Array.from({ length: outcome.table.count }, (_, k) => outcome.table.position[3 * k + 1])

describe('what is entered in a registry, and nowhere else', () => {
  it('a layout is offered, read, placed, laid flat and changed by keys', () => {
    expect(layoutKinds).toContain('stairs')
    const doc = read([stairs()])
    const [outcome] = evaluateAll(doc)
    expect(heights(outcome).map((h) => Math.round(h * 10))).toEqual([0, 2, 4, 6, 8, 10])
    const { layout } = doc.patterns[0]
    expect(
      unrolled(layout, outcome, { supportOf: () => () => ({ low: 0, high: 0 }), shapeOf: () => undefined }),
    ).toMatchObject({ as: 'nearest' })
    const changed = structuredClone(layout)
    definitionOf(changed).more!(changed, outcome.laid!, 2)!(changed)
    expect(changed).toMatchObject({ treads: 8 })
  })

  it('the ids that a layout names are known: what goes leaves none of them', () => {
    const other = aPattern(aLine(), ['tin'], { id: 'other', name: 'Other' })
    const doc = read([other, stairs({ by: 'other' })])
    expect(keepersOf(doc, 'other')).toEqual([])
    expect(removed(doc, new Set(['other'])).patterns[0].layout).toEqual({ kind: 'stairs', treads: 6 })
  })

  it('a step has its turn by its phase', () => {
    expect(stepKinds).toContain('lift')
    const lift = stepDefinitionOf({ kind: 'lift' as never }).begin('lift-1')
    const [plain, lifted] = [read([stairs()]), read([stairs({}, [lift])])].map((doc) => heights(evaluateAll(doc)[0]))
    expect(lifted).toEqual(plain.map((h) => h + 1))
  })

  it('a finding is looked for, weighed and told', () => {
    const doc = read([stairs({ treads: 9 })])
    const outcomes = new Evaluator().evaluate(doc, new Map())
    const things = { middleOf: () => [0, 0, 0], turnsOntoItself: () => false } as never
    const [first] = findingsOf({
      project: doc,
      outcomes,
      overlapsOf: () => [],
      things,
      source: { parts: doc.parts, meshes: new Map() },
      shapeOf: () => undefined,
    })
    expect(first).toMatchObject({ what: 'high', pattern: 'stairs', count: 3 })
  })

  it('a reader and a writer go by their endings', async () => {
    const triangle = new TextEncoder().encode('v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\n')
    const made = await readPartFile(triangle, 'thing.dot', 'm')
    expect(made.ok && made.value.mesh.indices.length).toBe(3)
    const refusedToo = await readPartFile(triangle, 'thing.xyz')
    expect(!refusedToo.ok && JSON.stringify(refusedToo.problem.says)).toContain('DOT')
    const writer = writerFor('out.list')
    expect(writer.ok && writer.value.cannotHold({} as never)).toEqual(['anything but places'])
    expect(writerFor('out.usda').ok).toBe(false)
  })
})

describe('a made-up movement', () => {
  const kind = 'roll' as (typeof movementKinds)[number]
  const pattern = {
    ...aPattern(aLine(), ['tin']),
    motion: [{ ...movementDefinitionOf({ kind }).begin('roll-1', 5, 5), speed: 0.25 }],
  }
  const project = aProject([box('tin', 0.1)], pattern as Project['patterns'][number])

  it('is in the document, played, said, read back, and written as keys', async () => {
    expect(movementKinds).toContain('roll')
    const read = readProject(structuredClone(project))
    expect(read.ok && read.value.patterns[0].motion).toEqual(pattern.motion)
    const playing = new Playing(project, new Evaluator().evaluate(project, new Map()))
    expect(playing.of('shelf')!.at(2, 3).move).toEqual([0.75, 0, 0])
    const around = { knows: knowledge, project, unit: project.unit }
    const text = patternAsText(project.patterns[0], around)
    expect(text).toContain('They roll 250 mm a second.')
    let made = 0
    const back = readText(text, { project, newId: (of) => `${of}-${++made}` })
    expect(back.marks).toEqual([])
    expect(back.patterns[0].motion).toMatchObject([{ kind: 'roll', speed: 0.25 }])
    const written = await glb.write(workedScene(project, new Map()), { ...glb.usual(1), motion: 'yes' })
    // Straight on: a key at the beginning and one at the end for each copy.
    expect(written.ok && written.value.report).toMatchObject({ copies: 10, keys: 2 * 10 })
  })
})
