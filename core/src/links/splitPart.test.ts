import fc from 'fast-check'
import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { evaluated } from '../../test/placed'
import { aGrid, aMirror, aPattern, aPlane, aProject, box } from '../../test/projects'
import { astray, vertices } from '../../test/vertices'
import { Evaluator } from '../evaluate'
import type { Mesh } from '../geometry/mesh'
import { boxMesh } from '../solids/boxes'
import { mergedMesh, placedMesh } from '../solids/placed'
import { type Cut, type MeshShape, type Part, meshKey } from '../model/part'
import type { Pattern } from '../model/pattern'
import { type Project, readProject } from '../model/project'
import { partMesh } from '../parts/partMesh'
import { piecesOf, runsOf } from '../parts/pieces'
import { readAgain } from './readAgain'
import { fallsInto, splitPart } from './splitPart'

const none = { turn: [0, 0, 0] as const, size: [1, 1, 1] as const }
const colored = (mesh: Mesh, color: string): Mesh => ({
  ...mesh,
  sections: mesh.sections.map((s) => ({ ...s, color })),
})
/** A lamp in one file: a foot and a shade that do not touch, the shade of two boxes that share a side; foot and lower box are brass. */
const lamp = mergedMesh([
  colored(boxMesh(0.1, 0.02, 0.1), '#b08d57'),
  colored(placedMesh(boxMesh(0.06, 0.05, 0.06), { ...none, move: [0, 0.1, 0] } as never), '#b08d57'),
  colored(placedMesh(boxMesh(0.06, 0.05, 0.06), { ...none, move: [0, 0.15, 0] } as never), '#f2ead8'),
])
const shape: MeshShape = {
  kind: 'mesh',
  file: 'a'.repeat(64),
  fileName: 'lamp.glb',
  unit: 'm',
  low: [-0.05, 0, -0.05],
  high: [0.05, 0.2, 0.05],
  triangles: 36,
}
const meshes = new Map([[meshKey(shape), lamp]])
const lampPart: Part = {
  ...box('lamp', 0.1),
  name: 'Lamp',
  shape,
  frame: { pivot: [0, 0.05, 0], up: 'front', front: 'base' },
}

/** Two rows of lamps, one made separate in size by hand, and their images. */
function hall(): Project {
  const rows: Pattern = {
    ...aPattern(aGrid(), ['lamp']),
    id: 'rows',
    // None stands on the mirror plane: faces alone are not symmetric, and would be mirrored on themselves.
    place: { move: [0.7, 0.1, 0], turn: [0, 0.4, 0] },
    touchUps: { '1': { size: [2, 1, 1.5], turn: [0.3, 0, 0.2] } },
  }
  const mirror = aPattern(aMirror('rows', aPlane('across')), [], { id: 'images' })
  return aProject([lampPart], rows, mirror)
}

/** That both have their triangles at the same places, to 1 µm. */
function expectSame(after: Project, before: Project): void {
  const [is, was] = [vertices(after, meshes), vertices(before, meshes)]
  expect(was.length).toBeGreaterThan(0)
  expect([astray(is, was, 1e-6), astray(was, is, 1e-6)]).toEqual([0, 0])
  expect(trianglesIn(after)).toBe(trianglesIn(before))
}
const trianglesIn = (project: Project): number =>
  new Evaluator().evaluate(project, meshes).reduce((sum, { expanded }) => {
    const source = { parts: project.parts, meshes }
    const each = project.parts.map((part) => partMesh(part, source)!.indices.length / 3)
    return sum + Array.from({ length: expanded.count }, (_, k) => each[expanded.thing[k]]).reduce((a, b) => a + b, 0)
  }, 0)

let made = 0
const newId = (): string => `piece-${++made}`
function split(project: Project, id: string, how: Parameters<typeof fallsInto>[2]): Project {
  const part = project.parts.find((p) => p.id === id)!
  const fallen = fallsInto(part, { parts: project.parts, meshes }, how)
  if (!fallen.ok) throw new Error(fallen.problem.says.join(''))
  return produce(project, (draft) => void splitPart(draft, id, fallen.value, newId))
}

describe('a part split into parts', () => {
  it('falls into what hangs together by a corner; boxes that share a side are one piece', () => {
    expect(piecesOf(lamp, 'pieces').map((t) => t.length)).toEqual([12, 24])
    expect(piecesOf(lamp, 'looks').map((t) => t.length)).toEqual([24, 12])
    expect(runsOf([5, 0, 1, 2, 9])).toEqual([0, 3, 5, 1, 9, 1])
  })

  it.each([
    ['by pieces', { by: 'pieces' as const }, [12, 24]],
    ['by looks', { by: 'looks' as const }, [24, 12]],
    ['by faces', { by: 'faces' as const, runs: [0, 2, 20, 4] }, [6, 30]],
  ])('%s: each piece is a part, and nothing moves, mirrored and touched up', (_, how, triangles) => {
    const before = hall()
    const after = split(before, 'lamp', how)
    expect(readProject(structuredClone(after)).ok).toBe(true)
    expect(after.parts.map((p) => p.name)).toEqual(['Lamp 1', 'Lamp 2', 'Lamp'])
    const whole = after.parts[2]
    expect(whole.shape.kind).toBe('assembly')
    const source = { parts: after.parts, meshes }
    expect(after.parts.slice(0, 2).map((p) => partMesh(p, source)!.indices.length / 3)).toEqual(triangles)
    expect(after.parts.slice(0, 2).map((p) => p.shape.kind === 'mesh' && p.shape.triangles)).toEqual(triangles)
    expectSame(after, before)
    // Its copies are the same ones, still of the same part.
    expect(evaluated(after).table.count).toBe(evaluated(before).table.count)
    expect(after.patterns.map((p) => [p.deal, p.touchUps])).toEqual(before.patterns.map((p) => [p.deal, p.touchUps]))
  })

  it('a piece is split again, and its looks stay what they were in the file', () => {
    const twice = split(split(hall(), 'lamp', { by: 'pieces' }), `piece-${made}`, { by: 'looks' })
    expect(twice.parts.map((p) => p.name)).toEqual(['Lamp 1', 'Lamp 2 1', 'Lamp 2 2', 'Lamp 2', 'Lamp'])
    expectSame(twice, hall())
    const source = { parts: twice.parts, meshes }
    expect(twice.parts.slice(0, 3).map((p) => partMesh(p, source)!.sections.map((s) => s.color))).toEqual([
      ['#b08d57'],
      ['#b08d57'],
      ['#f2ead8'],
    ])
  })

  it('the pieces take the answers of mirrors and the lettering of the whole', () => {
    const project = hall()
    const { layout } = project.patterns[1]
    if (layout.kind === 'mirror') layout.answers = { lamp: 'kept' }
    project.parts[0] = { ...project.parts[0], lettering: true }
    const after = split(project, 'lamp', { by: 'pieces' })
    const { layout: now } = after.patterns[1]
    const ids = after.parts.map((p) => p.id)
    expect(now.kind === 'mirror' && now.answers).toEqual(Object.fromEntries(ids.map((id) => [id, 'kept'])))
    expect(after.parts.map((p) => p.lettering)).toEqual([true, true, true])
  })

  it('says why there is nothing to split', () => {
    const says = (part: Part, how: Parameters<typeof fallsInto>[2]): string => {
      const fallen = fallsInto(part, { parts: [part], meshes }, how)
      return fallen.ok
        ? ''
        : fallen.problem.says.map((s) => (typeof s === 'object' && 'count' in s ? s.count : s)).join('')
    }
    const foot: Cut = { by: 'pieces', number: 0 }
    expect(says({ ...lampPart, shape: { ...shape, cuts: [foot] } }, { by: 'pieces' })).toBe(
      'Lamp hangs together in one piece: there is nothing to split.',
    )
    expect(says(box('tin', 0.1), { by: 'pieces' })).toContain('made of numbers')
    expect(says(lampPart, { by: 'faces', runs: [] })).toContain('Pick some faces of it, and leave some')
    expect(says(lampPart, { by: 'faces', runs: [0, 36] })).toContain('Pick some faces of it, and leave some')
    const picture = { file: 'b'.repeat(64), mime: 'image/png' as const }
    expect(says({ ...lampPart, look: { ...lampPart.look, picture } }, { by: 'looks' })).toContain('Take it off')
    expect(says({ ...lampPart, shape: { ...shape, file: 'c'.repeat(64) } }, { by: 'pieces' })).toContain('not read yet')
    const many = mergedMesh(
      Array.from({ length: 1001 }, (_, i) => placedMesh(boxMesh(0.1, 0.1, 0.1), { ...none, move: [i, 0, 0] } as never)),
    )
    const crowd = fallsInto(lampPart, { parts: [], meshes: new Map([[meshKey(shape), many]]) }, { by: 'pieces' })
    expect(crowd.ok ? '' : crowd.problem.says).toContainEqual({ count: 1001 })
  })

  it('property: whatever hangs together, every triangle is in one piece, and pieces share no corner', () => {
    const boxes = fc.array(fc.tuple(fc.integer({ min: 0, max: 4 }), fc.integer({ min: 0, max: 4 })), {
      minLength: 1,
      maxLength: 12,
    })
    fc.assert(
      fc.property(boxes, (places) => {
        const mesh = mergedMesh(
          places.map(([x, z]) => placedMesh(boxMesh(1, 1, 1), { ...none, move: [x, 0, z] } as never)),
        )
        const pieces = piecesOf(mesh, 'pieces')
        const all = pieces.flatMap((p) => [...p]).sort((a, b) => a - b)
        expect(all).toEqual(Array.from({ length: mesh.indices.length / 3 }, (_, t) => t))
        const seen = new Map<string, number>()
        for (const [n, piece] of pieces.entries())
          for (const t of piece)
            for (const v of mesh.indices.subarray(3 * t, 3 * t + 3)) {
              const at = [0, 1, 2].map((i) => mesh.positions[3 * v + i].toFixed(5)).join(' ')
              expect(seen.get(at) ?? n).toBe(n)
              seen.set(at, n)
            }
        // Squares that touch at a corner or a side are one piece: counted apart by a fill over the squares.
        const squares = new Set(places.map(([x, z]) => `${x} ${z}`))
        let islands = 0
        for (const square of [...squares]) {
          if (!squares.delete(square)) continue
          islands++
          const todo = [square]
          for (let at = todo.pop(); at !== undefined; at = todo.pop()) {
            const [x, z] = at.split(' ').map(Number)
            for (const dx of [-1, 0, 1])
              for (const dz of [-1, 0, 1]) if (squares.delete(`${x + dx} ${z + dz}`)) todo.push(`${x + dx} ${z + dz}`)
          }
        }
        expect(pieces).toHaveLength(islands)
      }),
    )
  })
})

describe('a file that is read again', () => {
  const split = (): Project =>
    produce(hall(), (draft) => {
      const fallen = fallsInto(draft.parts[0], { parts: draft.parts, meshes }, { by: 'pieces' })
      if (fallen.ok) splitPart(draft as Project, 'lamp', fallen.value, newIds())
    })
  const newIds = (): (() => string) => {
    let n = 0
    return () => `piece-${++n}`
  }
  const now = { file: 'b'.repeat(64), fileName: 'lamp 2.glb' }

  it('gives all pieces that were cut from it their new triangles, at once', () => {
    const { parts } = split()
    const [foot] = parts
    const taller = mergedMesh([
      colored(boxMesh(0.1, 0.03, 0.1), '#b08d57'),
      colored(placedMesh(boxMesh(0.06, 0.2, 0.06), { ...none, move: [0, 0.1, 0] } as never), '#f2ead8'),
    ])
    const { shapes, left } = readAgain(parts, foot as never, now, taller)
    expect(left).toEqual([])
    expect([...shapes.keys()]).toEqual(['piece-1', 'piece-2'])
    expect([...shapes.values()].map(({ file, high }) => [file, high[1]])).toEqual([
      [now.file, expect.closeTo(0.03, 6)],
      [now.file, expect.closeTo(0.3, 6)],
    ])
  })

  it('leaves those alone for which it has no piece, and parts that are not cut', () => {
    const { parts } = split()
    const whole: Part = { ...lampPart, id: 'whole', name: 'Whole' }
    const { shapes, left } = readAgain([...parts, whole], parts[0] as never, now, boxMesh(0.1, 0.03, 0.1))
    expect([...shapes.keys()]).toEqual(['piece-1'])
    expect(left.map(({ id }) => id)).toEqual(['piece-2'])
    const twice = [...parts, whole, { ...whole, id: 'other' }]
    expect([...readAgain(twice, whole as never, now, lamp).shapes.keys()]).toEqual(['whole'])
  })
})
