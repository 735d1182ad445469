import { describe, expect, it } from 'vitest'
import { aPattern, aProject } from '../../test/projects'
import { bakedMesh, bracket } from '../../test/shapes'
import { Evaluator } from '../evaluate'
import { type Part, meshKey } from '../model/part'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { layouts } from '../layouts/registry'
import type { MirrorSource } from '../values/reflection'
import { steps } from '../steps/registry'
import type { Spot } from '../layouts/spots/schema'
import { partMesh } from '../parts/partMesh'
import { type Quaternion, rotate } from '../geometry/rotation'
import { boxMesh } from '../solids/boxes'
import type { Mesh } from '../geometry/mesh'
import { foldDefaults } from '../shapes/fold'
import { foldProject } from './foldProject'

const away = {
  move: [3, 1, 2] as [number, number, number],
  turn: [0, 0.6, 0, 0.8] as Quaternion,
  size: 1,
  mirrored: false,
}
const flat = (mesh: Mesh): Mesh => ({ ...mesh, sections: [{ start: 0, count: mesh.indices.length }] })

const look = { color: '#aa8855', roughness: 1, metal: 0 }
/** A part of a mesh of its own, which is kept among the meshes. */
function partOf(id: string, name: string, mesh: Mesh, meshes: Map<string, Mesh>): Part {
  const file = { file: 'c'.repeat(64), unit: 'm', mesh: meshes.size } as const
  meshes.set(meshKey(file), mesh)
  return {
    id,
    name,
    look,
    shape: { kind: 'mesh', fileName: 'x.glb', low: [0, 0, 0], high: [0, 0, 0], triangles: 1, ...file },
  }
}
/** An arrangement in which each part stands on a place of its own. */
const standing = (parts: Part[]): Project =>
  aProject(
    parts,
    aPattern({ kind: 'spots', spots: parts.map((p, slot): Spot => ({ slot, move: [0, slot, 0], part: p.id })) }, [
      parts[0].id,
    ]),
  )

/** Two baked meshes of one shape, the second part with a twin; each stands on places of its own. */
function scene(shape: Mesh, names: readonly [string, string, string]): { project: Project; meshes: Map<string, Mesh> } {
  const meshes = new Map<string, Mesh>()
  const parts = [
    partOf('first', names[0], bakedMesh(shape, { ...away, move: [5, 0, 0] }), meshes),
    partOf('second', names[1], bakedMesh(shape, away), meshes),
    { id: 'twin', name: names[2], look, shape: { kind: 'twin', of: 'second' } } as Part,
  ]
  return { project: standing(parts), meshes }
}

const still = { ...away, move: [0, 0, 0] as [number, number, number], turn: [0, 0, 0, 1] as Quaternion }

/** Which of three brackets are left, each a part of its own: one as it is, one moved, and one as it is said. */
function leftOfThree(last: Partial<typeof away>, more: (n: number) => Partial<Part>): string[] {
  const meshes = new Map<string, Mesh>()
  const places = [still, { ...still, move: [1, 0, 0] as [number, number, number] }, { ...still, ...last }]
  const parts = places.map((place, n) => ({
    ...partOf(`p${n}`, `Bracket ${n}`, bakedMesh(bracket(), place), meshes),
    ...more(n),
  }))
  return foldProject(standing(parts), { parts, meshes }, foldDefaults, () => 'made').parts.map(({ id }) => id)
}

/** The middle of every copy's vertices in the world: it shows every move. */
function middles(project: Project, meshes: Map<string, Mesh>): number[][] {
  const [{ table }] = new Evaluator().evaluate(project, meshes)
  return Array.from({ length: table.count }, (_, k) => {
    const { positions } = partMesh(project.parts[table.thing[k]], { parts: project.parts, meshes })!
    const sum = [0, 0, 0]
    positions.forEach((p, i) => (sum[i % 3] += (3 * p) / positions.length))
    const size = table.scale.subarray(3 * k, 3 * k + 3)
    const turn = [...table.quaternion.subarray(4 * k, 4 * k + 4)] as unknown as Quaternion
    const at = rotate(turn, [sum[0] * size[0], sum[1] * size[1], sum[2] * size[2]])
    return at.map((n, i) => n + table.position[3 * k + i])
  })
}

describe('parts that have twins', () => {
  const names = [
    ['Bracket 1', 'Bracket 2', 'Bracket 3'],
    // By name the twin is not found with its part: then the part stays as it is.
    ['Bracket 1', 'Bracket 2', 'Left hand piece'],
  ] as const

  it.each(names.flatMap((n) => (['geometry', 'name'] as const).map((by) => [by, n] as const)))(
    'stay where they were, by %s, called %j',
    (by, called) => {
      const { project, meshes } = scene(bracket(), called)
      const source = { parts: project.parts, meshes }
      const { parts, patterns } = foldProject(project, source, { ...foldDefaults, by }, () => 'made')
      const ids = new Set(parts.map((p) => p.id))
      for (const { shape } of parts) if (shape.kind === 'twin') expect(ids.has(shape.of)).toBe(true)
      const after = middles({ ...project, parts, patterns }, meshes)
      for (const [k, was] of middles(project, meshes).entries())
        was.forEach((n, i) => expect(after[k][i]).toBeCloseTo(n, 5))
    },
  )

  it('a thing that is its own mirror image needs none, and its copies are counted once', () => {
    const { project, meshes } = scene(flat(boxMesh(0.2, 0.3, 0.4)), ['Box 1', 'Box 2', 'Box 3'])
    const { report, parts } = foldProject(project, { parts: project.parts, meshes }, foldDefaults, () => 'made')
    expect(parts).toHaveLength(1)
    expect(report.parts.map((p) => [p.copies, p.twinCopies])).toEqual([[3, 0]])
  })
})

describe('what a part says of its copies', () => {
  it.each<[string, (n: number) => Partial<Part>]>([
    ['that they are locked', (n) => (n === 1 ? { locked: true } : {})],
    ['what they keep free', (n) => (n === 1 ? { clearance: 0.002 } : {})],
    ['that it carries lettering', (n) => (n === 1 ? { lettering: true } : {})],
  ])('is not lost: %s', (_, more) => {
    expect(leftOfThree({}, more)).toEqual(['p0', 'p1'])
    expect(leftOfThree({}, () => more(1))).toEqual(['p0'])
  })

  it('is theirs alone where they vary by themselves: as copies of another they would draw other chances', () => {
    const variation = [{ property: 'turn', amount: 0.1 }] as unknown as Part['variation']
    expect(leftOfThree({}, () => ({ variation }))).toEqual(['p0', 'p1', 'p2'])
    expect(leftOfThree({}, () => ({ variation: [] }))).toEqual(['p0'])
    expect(leftOfThree({}, () => ({ variation, chances: 'one' }))).toEqual(['p0'])
    expect(leftOfThree({}, (n) => ({ variation: n === 2 ? [] : variation, chances: 'one' }))).toEqual(['p0', 'p2'])
  })

  const grain = { look: { ...look, grain: { turn: 0, width: 0.01 } } }
  const picture = { look: { ...look, picture: { file: 'd'.repeat(64), mime: 'image/png' as const } } }
  it('a picture laid on, or a grain, does not turn with it; and stripes do not grow', () => {
    const turned = { turn: away.turn }
    expect(leftOfThree(turned, () => ({}))).toEqual(['p0'])
    expect(leftOfThree(turned, () => picture)).toEqual(['p0', 'p2'])
    expect(leftOfThree(turned, () => grain)).toEqual(['p0', 'p2'])
    expect(leftOfThree({ size: 1.5 }, () => picture)).toEqual(['p0'])
    expect(leftOfThree({ size: 1.5 }, () => grain)).toEqual(['p0', 'p2'])
  })
})

describe('what else rests on places', () => {
  const folded = (edit: (project: Project) => Partial<Project>) => {
    const { project, meshes } = scene(flat(boxMesh(0.2, 0.3, 0.4)), ['Box 1', 'Box 2', 'Box 3'])
    const doc = { ...project, ...edit(project) }
    return foldProject(doc, { parts: doc.parts, meshes }, foldDefaults, () => 'made')
  }
  const edited = (more: Partial<Pattern>) => (project: Project) => ({
    patterns: project.patterns.map((pattern) => ({ ...pattern, ...more })),
  })

  it('goes by pivots: where steps or touch-ups do, a part that would have another pivot stays itself, and that is told', () => {
    const step = { ...steps.vary.begin('step') }
    for (const more of [{ steps: [step] }, { touchUps: { '1': { turn: [0, 1, 0] as [number, number, number] } } }]) {
      const { parts, report } = folded(edited(more))
      expect(parts).toHaveLength(3)
      expect(report.nearMisses.map(({ fault }) => fault)).toContain('place')
    }
    expect(folded(() => ({})).parts).toHaveLength(1)
  })

  it('rests on them: what a mirror reflects keeps its pivots, be it the pattern, a group that it is in, or some that are saved', () => {
    const mirrored = (source: MirrorSource) => (project: Project) => {
      const [pattern] = project.patterns
      const begun = layouts.mirror.begin({ width: 1, height: 1, depth: 1, unit: 'mm' })
      return {
        groups: [
          { id: 'outer', name: 'Outer' },
          { id: 'inner', name: 'Inner', parent: 'outer' },
        ],
        sets: [{ id: 'set', name: 'Some', copies: { own: ['0'] } }],
        patterns: [
          { ...pattern, id: 'own', group: 'inner' },
          { ...pattern, id: 'image', name: 'Image', layout: { ...begun, sources: [source] } },
        ],
      }
    }
    for (const source of [
      { kind: 'pattern', id: 'own' },
      { kind: 'group', id: 'inner' },
      { kind: 'group', id: 'outer' },
      { kind: 'set', id: 'set' },
    ] as const)
      expect(folded(mirrored(source)).parts, JSON.stringify(source)).toHaveLength(3)
    expect(folded(mirrored({ kind: 'pattern', id: 'nobody' })).parts).toHaveLength(1)
  })

  it('is said by name: what fits one part in its own way is no copy of another', () => {
    const { parts } = folded(edited({ fits: { second: { move: [0, 0.01, 0] } } }))
    expect(parts.map(({ id }) => id)).toContain('second')
  })

  it('what was left aside of a part that is no more is not named any more', () => {
    const left = (about: string[], id: string) => ({ id, what: 'flat', about, count: 1 })
    const all = [left(['first'], 'a'), left(['second'], 'b'), left([], 'c')]
    const { parts, ignored } = folded(() => ({ ignored: all }))
    const [kept] = parts
    expect(ignored).toEqual(all.filter(({ about }) => about.every((id) => id === kept.id)))
  })
})
