import { expect } from 'vitest'
import { mirror } from '../../src/layouts/mirror/index'
import { duplicatePattern } from '../../src/links/duplicate'
import { placesInFile } from './readFile'
import { expectCarried, expectPlaced } from './placing'
import { expectShared } from './sharing'
import { expectTogether } from './together'
import { expectSpaced } from './spacing'
import { expectFound } from './found'
import { expectMoments } from './moments'
import { expectMoving } from './moving'
import { expectReadBack } from './sentences'
import { expectSettled } from './settling'
import { expectAssembled } from './assembling'
import { expectBrought, expectRecipe } from './bringing'
import { expectSized } from './sizing'
import { expectTouchedAlone } from './touching'
import { expectFigures, still } from './figures'
import { expectFolded } from './folding'
import { copiesInFile } from './ruler'
import { isImage } from '../../src/slots'
import { stepDefinitionOf } from '../../src/steps/index'
import { Flag, type InstanceTable } from '../../src/instances'
import { distinct, expectSamePlaces, placesOf, standingOf, worldPlaces } from './places'
import { Evaluator, type PatternOutcome, thingsIn } from '../../src/evaluate'
import { definitionOf, unrolled } from '../../src/layouts/index'
import { patched, patchesBetween } from '../../src/model/patches'
import type { Pattern } from '../../src/model/pattern'
import { type Project, project as projectSchema, readProject } from '../../src/model/project'
import { placeInList } from '../../src/model/listing'
import { keepersOf, removed } from '../../src/model/references'
import { glb } from '../../src/writers/glb/index'
import { referencesIn } from '../../src/values/walk'

/** A law that holds for every project. */
export interface Law {
  readonly words: string
  check(doc: Project, outcomes: readonly PatternOutcome[]): void | Promise<void>
}

const none = new Map()
export const worked = (doc: Project): PatternOutcome[] => new Evaluator().evaluate(doc, none)

/** All that an evaluation says in numbers, without the objects that carry it. */
const bits = (outcomes: readonly PatternOutcome[]) =>
  outcomes.map(({ id, expanded: t, copies, problem }) => ({
    id,
    problem,
    copies: copies.count,
    keys: Array.from({ length: t.count }, (_, k) => t.keyOf(k)),
    position: [...t.position.subarray(0, 3 * t.count)],
    quaternion: [...t.quaternion.subarray(0, 4 * t.count)],
    scale: [...t.scale.subarray(0, 3 * t.count)],
    thing: [...t.thing.subarray(0, t.count)],
    flags: [...t.flags.subarray(0, t.count)],
  }))

/** What stands where and how, without what it is. */
const numbersOf = ({ expanded: t, problem }: PatternOutcome): unknown => ({
  problem: problem !== undefined,
  position: [...t.position.subarray(0, 3 * t.count)],
  quaternion: [...t.quaternion.subarray(0, 4 * t.count)],
  scale: [...t.scale.subarray(0, 3 * t.count)],
  // Whether a mirror moves it across is the mirror's to say.
  flags: Array.from(t.flags.subarray(0, t.count), (f) => f & ~Flag.away),
})
const withoutThings = (all: object): unknown => ({ ...all, thing: undefined })
const atRandom = ({ parts }: Pattern['deal']): Pattern['deal'] => ({
  kind: 'random',
  parts: [...new Set(parts)],
  weights: [...new Set(parts)].map((_, i) => i + 1),
  seed: 5,
})

/** Copies that are there, or that a mirror has moved: these are hosts still. */
const mirroredCount = (table: InstanceTable): number =>
  Array.from({ length: table.count }, (_, k) => Number(table.isMirrored(k))).reduce((a, b) => a + b, 0)

/** What the stage shows as a file with a node a copy; undefined where it cannot be written. */
async function writtenFile(doc: Project, outcomes: readonly PatternOutcome[]): Promise<Uint8Array | undefined> {
  const scene = { project: doc, outcomes, source: { parts: doc.parts, meshes: none } }
  const options = { ...glb.usual(0), style: 'linked' }
  if (!glb.forecast(scene, options).ok) return undefined
  const written = await glb.write(scene, options)
  if (!written.ok) throw new Error(JSON.stringify(written.problem))
  return written.value.bytes
}

const shown = (doc: Project, outcomes: readonly PatternOutcome[]) => outcomes.filter((_, i) => !doc.patterns[i].hidden)

const changed = (doc: Project, k: number, edit: (pattern: Pattern) => Pattern): Project => ({
  ...doc,
  patterns: doc.patterns.with(k, edit(doc.patterns[k])),
})

export const laws: readonly Law[] = [
  {
    words: 'every number is finite, every turn a turn, every size more than 0',
    check(_, outcomes) {
      for (const { expanded: t } of outcomes) {
        const all = [...t.position.subarray(0, 3 * t.count), ...t.scale.subarray(0, 3 * t.count)]
        expect(all.every(Number.isFinite)).toBe(true)
        for (let k = 0; k < t.count; k++) {
          expect(Math.hypot(...t.quaternion.subarray(4 * k, 4 * k + 4))).toBeCloseTo(1, 6)
          expect(Math.min(...t.scale.subarray(3 * k, 3 * k + 3))).toBeGreaterThan(0)
        }
      }
    },
  },
  {
    words: 'a copy is called by one key, and found by it',
    check(_, outcomes) {
      for (const { copies: t } of outcomes) for (let k = 0; k < t.count; k++) expect(t.rowOf(t.keyOf(k))).toBe(k)
    },
  },
  {
    words: 'who is not present is nowhere: companions of a host stand on present copies only',
    check(doc, outcomes) {
      for (const [i, p] of doc.patterns.entries()) {
        const host = definitionOf(p.layout).host?.(p.layout)
        const on = host === undefined ? undefined : outcomes.find((o) => o.id === host)
        // Steps that reflect it add images of their own, each as many again or more.
        const reflects = p.steps.some((step) => stepDefinitionOf(step).reflection !== undefined)
        if (on && !outcomes[i].problem && !reflects)
          expect(outcomes[i].table.count).toBeLessThanOrEqual(2 * mirroredCount(on.copies))
      }
    },
  },
  {
    words: 'the file holds as many copies as the stage shows',
    check(doc, outcomes) {
      const scene = { project: doc, outcomes, source: { parts: doc.parts, meshes: none } }
      const forecast = glb.forecast(scene, glb.usual(0))
      const there = shown(doc, outcomes).reduce((n, o) => n + o.expanded.presentCount(), 0)
      // What cannot be placed is told instead of a file without it, and nothing is not written.
      const whole = shown(doc, outcomes).every((o) => !o.problem)
      if (whole || forecast.ok) expect(forecast.ok ? forecast.value.copies : 0).toBe(there)
    },
  },
  {
    words: 'copies stand in the file where they were worked out',
    async check(doc, outcomes) {
      const bytes = await writtenFile(doc, outcomes)
      if (!bytes) return
      expectSamePlaces(placesInFile(bytes), worldPlaces(doc.patterns, outcomes))
    },
  },
  {
    words: 'the figures of lines, grids, rings and paths are those that a ruler finds in the file',
    async check(asGiven) {
      const doc = { ...asGiven, patterns: asGiven.patterns.map((pattern) => still(pattern, asGiven.parts)) }
      const outcomes = worked(doc)
      const bytes = await writtenFile(doc, outcomes)
      if (!bytes) return
      for (const [k, pattern] of doc.patterns.entries()) {
        const { table, expanded, problem } = outcomes[k]
        // Copies of one mesh each, and images stand in no row.
        if (pattern.hidden || problem || expanded !== table || table.slotHigh.some(isImage)) continue
        const copies = copiesInFile(bytes, pattern.name)
        if (copies.length > 1 && copies.length <= 60) expectFigures(pattern, outcomes[k], copies)
      }
    },
  },
  {
    words: 'its text is read back as what it says, to the bit, in millimetres and in inches',
    check: expectReadBack,
  },
  {
    words: 'a duplicate looks the same, with parts of its own too, and leaves the others as they were',
    check(doc, outcomes) {
      // What a mirror moves across stands elsewhere than what only looks like it.
      if (doc.patterns.some(({ layout }) => definitionOf(layout).images?.(layout)?.away)) return
      // Every other one with parts of its own: each evaluates the whole anew.
      for (const [k, pattern] of doc.patterns.entries()) {
        const own = k % 2 === 1
        const project = structuredClone(doc)
        let n = 0
        const newId = (): string => `new-${n++}`
        const { place } = pattern
        duplicatePattern(project, project.patterns[k], { id: 'again', name: 'Again', place, own, newId })
        const again = worked(project)
        const [was, is] = [outcomes[k], again[k + 1]]
        expect(numbersOf(is)).toEqual(numbersOf(was))
        const nameOf = (d: Project, thing: number): string =>
          [...d.parts, ...d.patterns][thing].name.replace(/ \d+$/, '')
        const names = (d: Project, o: PatternOutcome): string[] =>
          Array.from(o.expanded.thing.subarray(0, o.expanded.count), (t) => nameOf(d, t))
        expect(names(project, is)).toEqual(names(doc, was))
        expect(bits([...again.slice(0, k + 1), ...again.slice(k + 2)]).map(withoutThings)).toEqual(
          bits(outcomes).map(withoutThings),
        )
      }
    },
  },
  {
    words: 'at no strength of what varies them copies stand as though nothing did',
    check(doc) {
      const parts = doc.parts.map(({ id }) => id)
      const weak = doc.patterns.map((p): Pattern => ({ ...p, strength: 0 }))
      const without = doc.patterns.map((p): Pattern => ({
        ...p,
        steps: p.steps.filter((step) => !stepDefinitionOf(step).varies),
        plain: [...new Set([...(p.plain ?? []), ...parts])],
      }))
      const [none, gone] = [weak, without].map((patterns) => worked({ ...doc, patterns }))
      // A step that goes by another pattern has the problem of that one, which may be another one than its own.
      const placed = [none, gone].map((all) => all.map((o) => !o.problem))
      if (placed[0].every((is, k) => is === placed[1][k])) expect(none.map(standingOf)).toEqual(gone.map(standingOf))
    },
  },
  {
    words: 'listed in another order, everything stands where it stood',
    check(doc, outcomes) {
      const project = structuredClone(doc)
      for (const { id } of doc.patterns) placeInList(project, id, { before: project.patterns[0].id })
      const again = worked(project)
      expect(bits(again.toReversed()).map(withoutThings)).toEqual(bits(outcomes).map(withoutThings))
    },
  },
  {
    words: 'mirrored twice is the original',
    check(doc, outcomes) {
      for (const [k, { id, place }] of doc.patterns.entries()) {
        // What another mirror moves across is mirrored where it stood, and where it stands.
        if (outcomes[k].problem || outcomes[k].table.flags.some((f) => (f & Flag.away) !== 0)) continue
        const image = (of: string, name: string): Pattern => ({
          ...doc.patterns[k],
          id: name,
          name,
          place,
          steps: [],
          touchUps: {},
          fits: {},
          layout: {
            ...mirror.begin({ width: 1, height: 1, depth: 1, unit: 'mm', host: of }),
            // Far off: images that coincide with what stands there already are left out.
            planes: [{ facing: { kind: 'axis', axis: 'across', angle: 0 }, through: { kind: 'origin' }, offset: 40 }],
          },
        })
        const both = { ...doc, patterns: [...doc.patterns, image(id, 'once'), image('once', 'twice')] }
        const read = readProject(structuredClone(both))
        if (!read.ok) throw new Error(JSON.stringify(read.problem))
        const twice = worked(both)[doc.patterns.length + 1]
        // Of images that coincide one is left out.
        const [a, b] = [twice, outcomes[k]].map((o) => distinct(placesOf(o.expanded, { place })))
        expectSamePlaces(a, b)
      }
    },
  },
  {
    words: 'a copy added changes no other copy’s chance',
    check(doc, outcomes) {
      for (const [k, pattern] of doc.patterns.entries()) {
        const { laid } = outcomes[k]
        // Strips that reach the next one are chosen by how far that is.
        if ('join' in pattern.layout && pattern.layout.join !== 'no') continue
        const more = laid && definitionOf(pattern.layout).more?.(pattern.layout, laid as never, 1)
        if (!more) continue
        // What leans on places may change with them.
        const steps = pattern.steps.filter((s) => s.kind === 'vary' && !s.reach && !s.by && s.exactly === undefined)
        const plain = { ...structuredClone(pattern), steps, deal: atRandom(pattern.deal) }
        const longer = structuredClone(plain)
        more(longer.layout as never)
        const [before, after] = [plain, longer].map((p) => worked(changed(doc, k, () => p))[k])
        if (before.problem || after.problem) continue
        const [a, b] = [before.table, after.table]
        for (let row = 0; row < a.count; row++) {
          const now = b.rowOf(a.keyOf(row))
          if (now < 0) continue
          expect([b.thing[now], b.sizeOf(now)]).toEqual([a.thing[row], a.sizeOf(row)])
        }
      }
    },
  },
  {
    words: 'the strip can always be drawn',
    check(doc, outcomes) {
      for (const [i, { layout }] of doc.patterns.entries())
        expect(unrolled(layout, outcomes[i], thingsIn(doc, none, outcomes)).as).toBeDefined()
    },
  },
  {
    words: 'an evaluator that saw other states agrees with a fresh one, to the bit',
    check(doc, outcomes) {
      const used = new Evaluator()
      used.evaluate(doc, none)
      for (const k of doc.patterns.keys())
        used.evaluate(
          changed(doc, k, (p) => ({ ...p, steps: [], touchUps: {} })),
          none,
        )
      expect(bits(used.evaluate(doc, none))).toEqual(bits(outcomes))
      expect(bits(worked(structuredClone(doc)))).toEqual(bits(outcomes))
      // Elsewhere in the world, where some are not worked out again.
      for (const k of doc.patterns.keys()) {
        const elsewhere = changed(doc, k, (p) => ({
          ...p,
          hidden: !p.hidden,
          place: { move: [p.place.move[0] + 0.2, p.place.move[1], -0.1], turn: [0.1, p.place.turn[1] + 0.4, 0] },
        }))
        const moved = bits(used.evaluate(elsewhere, none))
        expect(moved).toEqual(bits(worked(structuredClone(elsewhere))))
      }
    },
  },
  {
    words: 'a change and its way back by patches give the same document, and the same bits',
    check(doc, outcomes) {
      const other = changed(doc, 0, (p) => ({
        ...p,
        name: 'Other',
        hidden: !p.hidden,
        touchUps: { '1': { empty: true } },
      }))
      const back = patched(other, patchesBetween(other, doc)) as Project
      expect(back).toEqual(doc)
      expect(bits(worked(back))).toEqual(bits(outcomes))
    },
  },
  {
    words: 'what can be removed leaves no name of itself behind',
    check(doc) {
      // What is left is worked out by one, as in use: what the removal does not touch is not worked out anew.
      const used = new Evaluator()
      for (const { id } of [...doc.parts, ...doc.patterns, ...doc.sets, ...doc.grounds]) {
        if (keepersOf(doc, id).length > 0) continue
        const without = removed(doc, new Set([id]))
        expect(referencesIn(projectSchema, without).filter((r) => r.id === id)).toEqual([])
        const read = readProject(structuredClone(without))
        expect(read.ok ? undefined : read.problem).toBeUndefined()
        used.evaluate(without, none)
      }
    },
  },
  {
    words: 'who has keepers cannot be removed',
    check(doc) {
      for (const { id } of [...doc.parts, ...doc.patterns])
        if (keepersOf(doc, id).length > 0) expect(() => removed(doc, new Set([id]))).toThrow()
    },
  },
  {
    words: 'what settles upright by its pivot stands on its ground, and settles where it stands already',
    check: expectSettled,
  },
  { words: 'copies that are put elsewhere stand exactly there', check: expectPlaced },
  {
    words: 'what is spaced stands where it was said to stand, who stays too',
    check: expectSpaced,
  },
  {
    words: 'a step for all of a group clears its patterns of each other, and is one in all of them',
    check: expectShared,
  },
  {
    words: 'what is moved as one is carried along whole, and nobody twice',
    check: expectCarried,
  },
  {
    words: 'what is taken to another project stands there as here, with all that it rests on',
    check: expectBrought,
  },
  {
    words: 'a recipe used with the parts that it was made from stands as the pattern does',
    check: expectRecipe,
  },
  {
    words: 'what becomes one part, and what is taken out of one, stays where it is',
    check: expectAssembled,
  },
  {
    words: 'what is sized as one is as large whole: every copy as far away and as large again, turned as it was',
    check: expectSized,
  },
  {
    words: 'what is wrong is told of copies that are there; parts that nothing uses can go, and all stands as it did',
    check: expectFound,
  },
  {
    words: 'motion places nobody, is a function of time alone, rests at the end to the bit, and is what its keys say',
    check: expectMoving,
  },
  {
    words:
      'one arrival for all of a group: copies come in one row, from one place of the world, and stand as they do without',
    check: expectTogether,
  },
  {
    words: 'a moment is a document of its own, whatever was asked before; of it only numbers differ',
    check: expectMoments,
  },
  {
    words: 'folded, every copy is where it was, whatever it is a copy of by then',
    check: expectFolded,
  },
  {
    words: 'what a hand does to one copy changes no other, but where gaps go by it or it is cleared',
    check: expectTouchedAlone,
  },
]
