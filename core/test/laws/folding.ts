import { expect } from 'vitest'
import type { PatternOutcome } from '../../src/evaluate'
import { foldProject } from '../../src/folding/foldProject'
import { rotate } from '../../src/geometry/rotation'
import type { Part } from '../../src/model/part'
import type { Pattern } from '../../src/model/pattern'
import { withParts } from '../../src/model/references'
import { type Project, readProject } from '../../src/model/project'
import { partMesh } from '../../src/parts/partMesh'
import { foldDefaults } from '../../src/shapes/fold'
import { mirroredMesh } from '../../src/solids/placed'
import { worked } from './laws'

/** Where the meshes of copies reach, in the axes of their patterns, row by row: lowest and highest corner; nothing of who is away. */
function reaches({ parts }: Project, { expanded: t }: PatternOutcome): (number[] | undefined)[] {
  return Array.from({ length: t.count }, (_, k) => {
    const own = t.isPresent(k) ? partMesh(parts[t.thing[k]], { parts, meshes: new Map() }) : undefined
    if (!own) return undefined
    const { positions: p } = t.isTwin(k) ? mirroredMesh(own) : own
    const [low, high] = [
      [Infinity, Infinity, Infinity],
      [-Infinity, -Infinity, -Infinity],
    ]
    const turn = [...t.quaternion.subarray(4 * k, 4 * k + 4)] as [number, number, number, number]
    for (let i = 0; i < p.length; i += 3) {
      const sized = [0, 1, 2].map((c) => p[i + c] * t.scale[3 * k + c]) as [number, number, number]
      rotate(turn, sized).forEach((n, c) => {
        const at = n + t.position[3 * k + c]
        low[c] = Math.min(low[c], at)
        high[c] = Math.max(high[c], at)
      })
    }
    return [...low, ...high]
  })
}

/**
 * The project with parts that are the leaf again: as it is, twice as large, and lying on a side. They stand on places of their own, in a
 * pattern that others rest on as on the first one, with the steps and the touch-ups of the last one; every other pattern has the same leaf
 * under its other name.
 */
function withMoreLeaves(doc: Project): Project {
  const leaf = doc.parts.find(({ id }) => id === 'leaf')!
  const like = (id: string, width: number, height: number, depth: number): Part => ({
    ...leaf,
    id,
    name: id,
    shape: { kind: 'box', width, height, depth },
  })
  const more = [
    like('same', 0.05, 0.02, 0.03),
    like('large', 0.1, 0.04, 0.06),
    // Its pivot is in the middle of another face.
    like('lying', 0.02, 0.03, 0.05),
  ]
  const last = doc.patterns[doc.patterns.length - 1]
  const own: Pattern = {
    ...doc.patterns[0],
    id: 'own',
    name: 'own',
    hidden: false,
    deal: { kind: 'inTurn', parts: ['leaf'] },
    layout: {
      kind: 'spots',
      spots: ['leaf', ...more.map(({ id }) => id), 'lying', 'large'].map((part, slot) => ({
        slot,
        part,
        move: [0.2 * slot, 0.01 * slot, 0],
        ...(slot > 3 && { turn: [0, 0.6, 0, 0.8], size: [1.5, 1.5, 1.5] }),
      })),
    },
    steps: last.steps,
    touchUps: last.touchUps,
  }
  const rested = doc.patterns.map((pattern, k) => {
    const onOwn = JSON.parse(JSON.stringify(pattern).replaceAll('"pattern-0"', '"own"')) as Pattern
    const same = { ...onOwn, id: pattern.id, name: pattern.name }
    return k % 2 ? withParts(same, (id) => (id === 'leaf' ? 'same' : id)) : same
  })
  // Now and then nothing else says where they stand, and no part names the leaf beside itself: then all of them are one.
  const alone = doc.patterns.length % 2 === 1
  const bare = { ...own, steps: [], touchUps: {}, motion: undefined, fits: undefined, plain: undefined }
  return {
    ...doc,
    parts: [...(alone ? doc.parts.map((part) => ({ ...part, variants: undefined })) : doc.parts), ...more],
    patterns: alone ? [...doc.patterns, bare] : [own, ...rested],
  }
}

/** Folded, every copy reaches from where to where it reached, whatever it is a copy of by then; and nothing is named that is not there. */
export function expectFolded(given: Project): void {
  const doc = withMoreLeaves(given)
  if (!readProject(structuredClone(doc)).ok) return
  let made = 0
  const source = { parts: doc.parts, meshes: new Map() }
  const { report, ...now } = foldProject(doc, source, foldDefaults, (kind) => `${kind}-f${++made}`)
  const folded = { ...doc, ...now }
  expect(readProject(structuredClone(folded))).toMatchObject({ ok: true })
  expect(folded.parts.length).toBe(report.partsAfter)
  const [before, after] = [worked(doc), worked(folded)]
  for (const [i, was] of before.entries()) {
    const is = after[i]
    expect([is.problem !== undefined, is.expanded.count]).toEqual([was.problem !== undefined, was.expanded.count])
    const [from, to] = [reaches(doc, was), reaches(folded, is)]
    const far = from.reduce((most, reach) => Math.max(most, ...(reach ?? []).map(Math.abs)), 1)
    for (const [k, reach] of from.entries()) {
      expect(to[k] === undefined).toBe(reach === undefined)
      reach?.forEach((n, c) => expect(Math.abs(to[k]![c] - n), `${doc.patterns[i].id} ${k}`).toBeLessThan(1e-6 * far))
    }
  }
}
