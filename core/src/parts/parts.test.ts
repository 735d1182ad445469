import { workedScene } from '../writers/scene'
import { WebIO } from '@gltf-transform/core'
import { EXTMeshGPUInstancing, KHRLightsPunctual, type Light as GltfLight } from '@gltf-transform/extensions'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tinted } from './tint'
import { aLine, aPattern, aProject, ball, box } from '../../test/projects'
import { Evaluator } from '../evaluate'
import { writeGlb } from '../writers/glb/write'
import { type Part, circleOfParts } from '../model/part'
import { readProject } from '../model/project'
import { type Side, type Vec3, sides, turnOf } from '../values/values'
import { rotate } from '../geometry/rotation'
import { type Mesh, volumeOf } from '../geometry/mesh'
import { boundsOfPart, supportOfPart } from './support'
import { partMesh, pictureKey } from './partMesh'

const none = (parts: readonly Part[] = []) => ({ parts, meshes: new Map<string, Mesh>() })
const look = { color: '#3a6b5f', roughness: 0.6, metal: 0 }
const slab: Part = { ...box('slab', 0.2), shape: { kind: 'box', width: 0.2, height: 0.1, depth: 0.4 } }
const inside = (id: string, members: { part: string; move?: Vec3; turn?: Vec3; size?: Vec3 }[]): Part => ({
  id,
  name: id,
  look,
  shape: {
    kind: 'assembly',
    members: members.map(({ part, move = [0, 0, 0], turn = [0, 0, 0], size = [1, 1, 1] }, i) => ({
      id: `m${i}`,
      part,
      move,
      turn,
      size,
    })),
  },
})

describe('how a part stands', () => {
  it('A20: any two sides at right angles become top and front; two on one axis are refused', () => {
    for (const up of sides) {
      for (const front of sides) {
        const rows = turnOf(up, front)
        const document = aProject([{ ...slab, frame: { pivot: [0, 0, 0], up, front } }])
        expect(readProject(JSON.parse(JSON.stringify(document))).ok).toBe(rows !== undefined)
        if (!rows) continue
        const mesh = partMesh({ ...slab, frame: { pivot: [0, 0, 0], up, front } }, none())!
        expect(volumeOf(mesh)).toBeCloseTo(0.008, 8)
      }
    }
  })

  it('I13: the pivot is where it says, and the outline by numbers is that of the points', () => {
    const side = fc.constantFrom<Side>(...sides)
    const unit = fc.double({ min: -1, max: 1, noNaN: true })
    const vector = fc.tuple(unit, unit, unit)
    fc.assert(
      fc.property(side, side, vector, vector, (up, front, pivot, d) => {
        fc.pre(turnOf(up, front) !== undefined && Math.hypot(...d) > 0.1)
        const part: Part = { ...slab, frame: { pivot, up, front } }
        const { positions } = partMesh(part, none())!
        const { low, high } = supportOfPart(part, none())(d)
        const along: number[] = []
        for (let i = 0; i < positions.length; i += 3)
          along.push(positions[i] * d[0] + positions[i + 1] * d[1] + positions[i + 2] * d[2])
        expect(Math.min(...along)).toBeCloseTo(low, 5)
        expect(Math.max(...along)).toBeCloseTo(high, 5)
      }),
    )
  })

  it('put on its side, what was deep is tall', () => {
    const { low, high } = boundsOfPart({ ...slab, frame: { pivot: [0, 0, 0], up: 'front', front: 'base' } }, none())
    expect(high.map((h, i) => Math.round((h - low[i]) * 1e9) / 1e9)).toEqual([0.2, 0.4, 0.1])
  })
})

describe('surfaces', () => {
  it('faceted shares no vertex and has flat normals; a picture lies once over each side', () => {
    const round: Part = { ...ball('ball', 0.2), look: { ...look, faceted: true } }
    const mesh = partMesh(round, none())!
    expect(mesh.positions.length / 3).toBe(mesh.indices.length)
    expect([...mesh.normals.slice(0, 3)]).toEqual([...mesh.normals.slice(3, 6)])
    const picture = { mime: 'image/png', bytes: new Uint8Array([1]) }
    const file = 'b'.repeat(64)
    const painted: Part = { ...slab, look: { ...look, picture: { file, mime: 'image/png' } } }
    const empty = {
      positions: new Float32Array(),
      normals: new Float32Array(),
      indices: new Uint32Array(),
      sections: [],
    }
    const shown = partMesh(painted, {
      parts: [],
      meshes: new Map([[pictureKey(file), { ...empty, pictures: [picture] }]]),
    })!
    expect(shown.pictures).toEqual([picture])
    expect(shown.sections.every((s) => s.picture === 0)).toBe(true)
    expect([Math.min(...shown.uvs!), Math.max(...shown.uvs!)]).toEqual([0, 1])
    // Unread, the part shows in its plain colour.
    expect(partMesh(painted, none())!.uvs).toBeUndefined()
  })

  it('the same triangles are given while nothing that they rest on changes', () => {
    const twin: Part = { id: 'twin', name: 'twin', look, shape: { kind: 'twin', of: 'slab' } }
    const source = none([slab, twin])
    expect(partMesh(twin, source)).toBe(partMesh(twin, none([slab, twin])))
    const wider: Part = { ...slab, shape: { kind: 'box', width: 0.3, height: 0.1, depth: 0.4 } }
    expect(boundsOfPart(twin, none([wider, twin])).high[0]).toBeCloseTo(0.15, 9)
  })
})

describe('parts inside parts', () => {
  const cup = box('cup', 0.08)
  const saucer = { ...box('saucer', 0.16), shape: { kind: 'cylinder' as const, width: 0.16, height: 0.02 } }
  const set = inside('set', [{ part: 'saucer' }, { part: 'cup', move: [0, 0.02, 0], size: [0.5, 0.5, 0.5] }])
  const tray = inside('tray', [
    { part: 'set', move: [-0.2, 0, 0] },
    { part: 'set', move: [0.2, 0, 0], turn: [0, Math.PI / 2, 0] },
  ])

  it('A15: stand where both placements put them, to any depth, and count as so many copies', () => {
    const parts = [cup, saucer, set, tray]
    const line = aLine({ hold: ['count', 'spacing'], measure: 'pitch', spacing: 1, count: 2 })
    const [{ table, expanded }] = new Evaluator().evaluate(aProject(parts, aPattern(line, ['tray'])), new Map())
    expect([table.count, expanded.count]).toEqual([2, 8])
    const names = Array.from(expanded.thing.subarray(0, 8), (i) => parts[i].id)
    expect(names.filter((n) => n === 'cup')).toHaveLength(4)
    const second = names.lastIndexOf('cup')
    // The line begins outside to outside: its first tray reaches 280 mm to the left of its pivot.
    const at = [...expanded.position.subarray(3 * second, 3 * second + 3)]
    for (const [i, n] of [1.48, 0.02, 0].entries()) expect(at[i]).toBeCloseTo(n, 6)
    const slots = new Set(Array.from({ length: 8 }, (_, k) => `${expanded.slotLow[k]} ${expanded.slotHigh[k]}`))
    expect(slots.size).toBe(8)
  })

  it('reach as far as what is in them', () => {
    const { low, high } = boundsOfPart(tray, none([cup, saucer, set, tray]))
    expect(high[0] - low[0]).toBeCloseTo(0.4 + 0.16, 6)
    expect(high[1]).toBeCloseTo(0.02 + 0.075, 6)
  })

  it('a circle is told by its names and refused', () => {
    const a = inside('a', [{ part: 'b' }])
    const b = inside('b', [{ part: 'a' }])
    expect(circleOfParts([a, b])).toEqual(['a', 'b', 'a'])
    expect(circleOfParts([cup, saucer, set, tray])).toBeUndefined()
    const read = readProject(JSON.parse(JSON.stringify(aProject([a, b]))))
    expect(!read.ok && read.problem.says[0]).toContain('a part cannot contain itself')
  })
})

describe('lights, glow and placeholders in a file', () => {
  const lamp: Part = {
    id: 'lamp',
    name: 'Lamp',
    look: { ...look, color: '#ffffff' },
    shape: { kind: 'light', light: 'spot', brightness: 20, angle: Math.PI / 3 },
  }
  const glowing: Part = { ...ball('glow', 0.1), look: { ...look, color: '#ffffff', glow: 0.5 } }
  const stand: Part = {
    id: 'stand',
    name: 'Stand',
    look,
    shape: { kind: 'placeholder', width: 0.1, height: 0.1, depth: 0.1 },
  }

  it.each(['linked', 'instanced'] as const)('A21, A22, N8: %s', async (style) => {
    const line = aLine({ hold: ['count', 'spacing'], measure: 'pitch', spacing: 0.5, count: 6 })
    const project = aProject([lamp, glowing, stand], aPattern(line, ['lamp', 'glow', 'stand']))
    const written = await writeGlb(workedScene(project, new Map()), { style })
    expect(written.ok && written.value.report).toMatchObject({ copies: 4, lights: 2, placeholders: 2, meshes: 1 })
    const io = new WebIO().registerExtensions([EXTMeshGPUInstancing, KHRLightsPunctual])
    const root = written.ok ? (await io.readBinary(written.value.bytes)).getRoot() : undefined
    const nodes = root!.listNodes().filter((n) => n.getExtension('KHR_lights_punctual'))
    expect(nodes).toHaveLength(2)
    const light = nodes[0].getExtension<GltfLight>('KHR_lights_punctual')!
    expect([light.getType(), light.getIntensity()]).toEqual(['spot', 20])
    expect(light.getOuterConeAngle()).toBeCloseTo(Math.PI / 6, 6)
    // Lights shine along −Z there, down here.
    const shines = rotate(nodes[0].getRotation() as [number, number, number, number], [0, 0, -1])
    expect(shines.map((n) => Math.round(n * 1e6) / 1e6 + 0)).toEqual([0, -1, 0])
    expect(root!.listMaterials()[0].getEmissiveFactor()).toEqual([0.5, 0.5, 0.5])
  })
})

describe('a copy in another colour', () => {
  const mesh: Mesh = {
    positions: new Float32Array(9),
    normals: new Float32Array(9),
    indices: new Uint32Array([0, 1, 2, 0, 1, 2, 0, 1, 2]),
    sections: [
      { start: 0, count: 3 },
      { start: 3, count: 3, color: '#804020' },
      { start: 6, count: 3, color: '#ffffff' },
    ],
  }

  it('takes the place of the part’s own, wherever that stands, and tints the rest in linear light', () => {
    const { sections, positions } = tinted(mesh, '#804020', '#008000')
    expect(sections.map((s) => s.color)).toEqual(['#008000', '#008000', '#008000'])
    expect(positions).toBe(mesh.positions)
    // Half of the light of 0x80 is 0x5c: 255 · (1.055 · (0.2158605 / 2)^(1 / 2.4) − 0.055) = 92.6.
    const half = tinted({ ...mesh, sections: [{ start: 0, count: 3, color: '#808080' }] }, '#000000', '#bcbcbc')
    expect(half.sections[0].color).toBe('#5d5d5d')
  })
})
