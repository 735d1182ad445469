import { workedScene } from '@hilera/core/writers/scene'
import { writeGlb } from '@hilera/core/writers/glb/write'
import type { Spot } from '@hilera/core/layouts/spots/schema'
import { type MeshShape, type Part, meshKey } from '@hilera/core/model/part'
import { emptyProject } from '@hilera/core/model/project'
import type { Vec3 } from '@hilera/core/values/values'
import { Randomness } from '@hilera/core/random'
import { type Quaternion, fromTurns } from '@hilera/core/geometry/rotation'
import { buildSolid } from '@hilera/core/solids/build'
import type { Mesh } from '@hilera/core/geometry/mesh'
import { mergedMesh, mirroredMesh, placedMesh } from '@hilera/core/solids/placed'
import { cut } from './parts/cut'

const half = Math.PI / 2

/** A slat of the screen behind the counter: one board with rounded edges. */
const slat = buildSolid({ kind: 'roundedBox', width: 0.06, height: 0.9, depth: 0.018, radius: 0.004 })

/** A turned peg that holds two slats together. */
const peg = buildSolid(
  {
    kind: 'lathe',
    profile: [
      { radius: 0, height: 0 },
      { radius: 0.006, height: 0 },
      { radius: 0.006, height: 0.028 },
      { radius: 0.011, height: 0.032 },
      { radius: 0.008, height: 0.044 },
      { radius: 0, height: 0.046 },
    ],
  },
  { segments: 18 },
)

/** A carved bracket: a scrolled cheek with a nose on one of its sides, so that there is a left and a right one. */
const bracket: Mesh = plain(
  mergedMesh([
    buildSolid({
      kind: 'extrusion',
      depth: 0.024,
      curve: cut('M0 0C40 4 62 30 66 74C70 100 92 118 120 122L120 140L0 140Z', 0.001),
    }),
    placedMesh(buildSolid({ kind: 'capsule', width: 0.02, height: 0.05 }, { segments: 10 }), {
      move: [-0.03, 0.112, 0.012],
      turn: [half, 0, 0],
      size: [1, 1, 1],
    }),
  ]),
)

function plain(mesh: Mesh): Mesh {
  return { ...mesh, sections: [{ start: 0, count: mesh.indices.length }] }
}

interface Thing {
  readonly name: string
  readonly mesh: Mesh
  readonly color: string
  readonly move: Vec3
  readonly turn: Vec3
}

/** What was received: a slatted screen of 240 slats, 320 pegs and 40 brackets of each hand. */
function things(): Thing[] {
  const out: Thing[] = []
  const add = (name: string, mesh: Mesh, color: string, move: Vec3, turn: Vec3): void =>
    void out.push({ name: `${name} ${String(out.length + 1).padStart(3, '0')}`, mesh, color, move, turn })
  for (let row = 0; row < 4; row++)
    for (let i = 0; i < 60; i++)
      add('Slat', slat, '#d9b98a', [-2.36 + 0.08 * i, 0.95 * row, 0], [0, i % 2 ? Math.PI : 0, 0])
  for (let row = 0; row < 8; row++)
    for (let i = 0; i < 40; i++)
      add('Peg', peg, '#7a5a3a', [-2.34 + 0.12 * i, 0.12 + 0.47 * row, 0.009], [half, 0.3 * i + row, 0])
  for (let row = 0; row < 2; row++) {
    for (let i = 0; i < 20; i++) {
      for (const hand of [1, -1]) {
        const x = -2.3 + 0.24 * i + 0.07 * hand
        add(
          'Bracket',
          hand > 0 ? bracket : mirroredMesh(bracket),
          '#a8493c',
          [x, 3.9, 0.1 + 0.3 * row],
          [0, row * Math.PI, 0],
        )
      }
    }
  }
  return out
}

/**
 * The file that the supplier sent: 640 meshes of their own that are three shapes, one of them in both hands. Of every two,
 * one has its placement worked into its vertices, in another order; the other is placed by its node.
 */
export async function supplierFile(): Promise<Uint8Array> {
  const random = new Randomness(640, 'supplier', 'order')
  const meshes = new Map<string, Mesh>()
  const parts: Part[] = []
  const spots: Spot[] = []
  for (const [i, { name, mesh, color, move, turn }] of things().entries()) {
    const baked = random.value(i, 0, 0) < 0.5
    const own = baked ? shuffled(placedMesh(mesh, { move, turn, size: [1, 1, 1] }), i, random) : ofItsOwn(mesh)
    const shape: MeshShape = {
      kind: 'mesh',
      file: i.toString(16).padStart(64, '0'),
      fileName: 'supplier.glb',
      unit: 'm',
      low: [0, 0, 0],
      high: [0, 0, 0],
      triangles: own.indices.length / 3,
    }
    meshes.set(meshKey(shape), own)
    parts.push({ id: `thing-${i}`, name, shape, look: { color, roughness: 0.8, metal: 0 } })
    spots.push({
      slot: i,
      part: `thing-${i}`,
      name,
      ...(baked ? { move: [0, 0, 0] } : { move, turn: [...fromTurns(turn)] as [...Quaternion] }),
    })
  }
  const project = {
    ...emptyProject('Received from the supplier'),
    parts,
    patterns: [
      {
        id: 'screen',
        name: 'Screen',
        place: { move: [0, 0, 0] as Vec3, turn: [0, 0, 0] as Vec3 },
        deal: { kind: 'inTurn' as const, parts: [parts[0].id] },
        layout: { kind: 'spots' as const, spots },
        steps: [],
        touchUps: {},
        hidden: false,
      },
    ],
  }
  const written = await writeGlb(workedScene(project, meshes), { style: 'linked' })
  if (!written.ok) throw new Error('the supplier’s file cannot be written')
  return written.value.bytes
}

/** A mesh whose numbers are nobody else's. */
const ofItsOwn = (mesh: Mesh): Mesh => ({
  ...mesh,
  positions: mesh.positions.slice(),
  normals: mesh.normals.slice(),
  indices: mesh.indices.slice(),
})

/** A mesh with its vertices and triangles in another order, as another program may write them. */
function shuffled(mesh: Mesh, number: number, random: Randomness): Mesh {
  const order = (n: number, channel: number): number[] =>
    Array.from({ length: n }, (_, i) => [random.bits(i, number, channel), i] as const)
      .sort((a, b) => a[0] - b[0])
      .map(([, i]) => i)
  const vertices = order(mesh.positions.length / 3, 1)
  const fresh = new Uint32Array(vertices.length)
  for (const [now, before] of vertices.entries()) fresh[before] = now
  const pick = (values: Float32Array): Float32Array =>
    Float32Array.from(vertices.flatMap((v) => [...values.subarray(3 * v, 3 * v + 3)]))
  const indices = Uint32Array.from(
    order(mesh.indices.length / 3, 2).flatMap((t) => [...mesh.indices.subarray(3 * t, 3 * t + 3)].map((v) => fresh[v])),
  )
  return { ...mesh, positions: pick(mesh.positions), normals: pick(mesh.normals), indices }
}
