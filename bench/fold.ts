import { workedScene } from '@hilera/core/writers/scene'
import { Document, WebIO } from '@gltf-transform/core'
import { EXTMeshGPUInstancing } from '@gltf-transform/extensions'
import { dedup, instance, prune } from '@gltf-transform/functions'
import { writeGlb } from '@hilera/core/writers/glb/write'
import { readScene } from '@hilera/core/readers/scene'
import type { CopyStyle } from '@hilera/core/writers/glb/size'
import { meshKey } from '@hilera/core/model/part'
import { type Project, emptyProject } from '@hilera/core/model/project'
import type { Vec3 } from '@hilera/core/values/values'
import { type Quaternion, fromTurns } from '@hilera/core/geometry/rotation'
import { partsOfScene } from '@hilera/core/scenes/sceneParts'
import { foldDefaults } from '@hilera/core/shapes/fold'
import { foldProject } from '@hilera/core/folding/foldProject'
import type { Mesh } from '@hilera/core/geometry/mesh'
import { bakedMesh, minimalStandard, shuffledMesh } from '../core/test/shapes'
import { table } from './rounds'

const MESHES = 640
const VERTICES = 5000
const RUNS = 3

/** A closed lump of about 5 000 vertices; its waves run round it, or wind about it so that it has a hand. */
function lump(waves: number, winding: boolean): Mesh {
  const [rows, columns] = [50, 100]
  const positions: number[] = []
  const normals: number[] = []
  for (let j = 0; j < rows; j++) {
    for (let i = 0; i < columns; i++) {
      const [a, b] = [(2 * Math.PI * i) / columns, (Math.PI * (j + 0.5)) / rows]
      const r = 0.1 * (1 + 0.15 * Math.cos(waves * a + (winding ? 3 * b : 0)) * Math.sin(b) + 0.05 * Math.cos(b))
      const n = [Math.sin(b) * Math.cos(a), Math.cos(b), Math.sin(b) * Math.sin(a)]
      positions.push(r * n[0], r * n[1], r * n[2])
      normals.push(...n)
    }
  }
  const indices: number[] = []
  for (let j = 0; j + 1 < rows; j++) {
    for (let i = 0; i < columns; i++) {
      const [p, q] = [j * columns + i, j * columns + ((i + 1) % columns)]
      indices.push(p, q, p + columns, q, q + columns, p + columns)
    }
  }
  return {
    positions: new Float32Array(positions),
    normals: new Float32Array(normals),
    indices: new Uint32Array(indices),
    sections: [{ start: 0, count: indices.length }],
  }
}

/** A file of 640 meshes of their own; every second one has its placement worked into its shuffled vertices. */
async function fileOf(shapes: readonly Mesh[], bothHands: boolean): Promise<Uint8Array> {
  const document = new Document()
  const buffer = document.createBuffer()
  const scene = document.createScene()
  const material = document.createMaterial('clay')
  const random = minimalStandard(shapes.length + (bothHands ? 10 : 0))
  for (let i = 0; i < MESHES; i++) {
    const turn = fromTurns([6 * random(), 6 * random(), 6 * random()])
    const move: Vec3 = [10 * random(), 10 * random(), 10 * random()]
    const mirrored = bothHands && i % shapes.length === 0 && i % 4 === 0
    const still = { move: [0, 0, 0] as Vec3, turn: [0, 0, 0, 1] as Quaternion, size: 1 }
    const baked = i % 2 === 1
    const mesh = baked
      ? shuffledMesh(bakedMesh(shapes[i % shapes.length], { move, turn, size: 0.5 + random(), mirrored }), i)
      : bakedMesh(shapes[i % shapes.length], { ...still, mirrored })
    const accessor = (array: Float32Array | Uint16Array, type: 'VEC3' | 'SCALAR') =>
      document
        .createAccessor()
        .setType(type)
        .setArray(array as Float32Array<ArrayBuffer>)
        .setBuffer(buffer)
    const primitive = document
      .createPrimitive()
      .setAttribute('POSITION', accessor(mesh.positions, 'VEC3'))
      .setAttribute('NORMAL', accessor(mesh.normals, 'VEC3'))
      .setIndices(accessor(Uint16Array.from(mesh.indices), 'SCALAR'))
      .setMaterial(material)
    const node = document.createNode(`Thing ${i}`).setMesh(document.createMesh(`Thing ${i}`).addPrimitive(primitive))
    if (!baked) node.setTranslation(move).setRotation([...turn])
    scene.addChild(node)
  }
  return new WebIO().writeBinary(document)
}

async function folded(
  bytes: Uint8Array,
  style: CopyStyle,
): Promise<{ bytes: number; meshes: number; twins: number; worst: number }> {
  const scene = await readScene(bytes, 'bench.glb')
  if (!scene.ok) throw new Error('not read')
  let made = 0
  const newId = (kind: string): string => `${kind}-${++made}`
  const file = { sha256: '0'.repeat(64), name: 'bench.glb' }
  const taken = partsOfScene(scene.value, file, newId, emptyProject('Bench'))
  if (!taken.ok) throw new Error('not taken in')
  const meshes = new Map(
    scene.value.meshes.map((m, mesh) => [meshKey({ file: file.sha256, unit: 'm', mesh }), m!.read.mesh]),
  )
  const project: Project = { ...emptyProject('Bench'), ...taken.value }
  const { report, parts, patterns } = foldProject(project, { parts: project.parts, meshes }, foldDefaults, newId)
  const written = await writeGlb(workedScene({ ...project, parts, patterns }, meshes), { style })
  if (!written.ok) throw new Error('not written')
  return {
    bytes: written.value.bytes.length,
    meshes: written.value.report.meshes,
    twins: report.twins,
    worst: report.worstDeviation,
  }
}

async function peer(bytes: Uint8Array): Promise<{ bytes: number; meshes: number }> {
  const io = new WebIO().registerExtensions([EXTMeshGPUInstancing])
  const document = await io.readBinary(bytes)
  await document.transform(dedup({ keepUniqueNames: false }), instance({ min: 2 }), prune())
  return { bytes: (await io.writeBinary(document)).length, meshes: document.getRoot().listMeshes().length }
}

/** Folding 640 meshes, beside a general-purpose library that joins what is equal byte for byte. */
export async function fold(): Promise<void> {
  for (const [title, bothHands, bound, least] of [
    ['three shapes without a hand', false, MESHES / 3, 150],
    ['three shapes, one in both hands', true, MESHES / 4, 120],
  ] as const) {
    const bytes = await fileOf([lump(5, bothHands), lump(7, false), lump(9, false)], bothHands)
    // In turn, so that a busy machine slows them alike.
    const times: Record<'linked' | 'instanced' | 'peer', number[]> = { linked: [], instanced: [], peer: [] }
    const timed = async <T>(what: keyof typeof times, work: () => Promise<T>): Promise<T> => {
      const start = performance.now()
      const made = await work()
      times[what].push((performance.now() - start) / 1000)
      return made
    }
    const round = async () => ({
      linked: await timed('linked', () => folded(bytes, 'linked')),
      instanced: await timed('instanced', () => folded(bytes, 'instanced')),
      peer: await timed('peer', () => peer(bytes)),
    })
    let made = await round()
    for (let n = 1; n < RUNS; n++) made = await round()
    const median = (what: keyof typeof times): number => times[what].toSorted((a, b) => a - b)[RUNS >> 1]
    const row = (
      what: string,
      size: number,
      meshes: number,
      time: number,
      more = '',
    ): Record<string, string | number> => ({
      what,
      bytes: size,
      meshes,
      smaller: `${(bytes.length / size).toFixed(1)} ×`,
      time: time ? `${time.toFixed(1)} s` : '',
      besides: more,
    })
    const besides = `${made.linked.twins} twin, worst vertex ${(made.linked.worst * 1000).toPrecision(2)} mm`
    table(
      `${MESHES} meshes of ${VERTICES} vertices, ${title} (at least ${least} × smaller; the bound is ${bound.toFixed(0)}; medians of ${RUNS} alternating runs)`,
      [
        row('as received', bytes.length, MESHES, 0),
        row('fold, a node a copy', made.linked.bytes, made.linked.meshes, median('linked'), besides),
        row('fold, tables of copies', made.instanced.bytes, made.instanced.meshes, median('instanced')),
        row('dedup + instance + prune', made.peer.bytes, made.peer.meshes, median('peer')),
      ],
    )
  }
}
