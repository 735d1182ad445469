import { workedScene } from '@hilera/core/writers/scene'
import { Evaluator } from '@hilera/core/evaluate'
import { writeGlb } from '@hilera/core/writers/glb/write'
import { type Scene, readScene } from '@hilera/core/readers/scene'
import { composed } from '@hilera/core/geometry/matrix'
import { meshKey } from '@hilera/core/model/part'
import { type Project, emptyProject, readProject } from '@hilera/core/model/project'
import { type MeshLibrary, partMesh } from '@hilera/core/parts/partMesh'
import { partsOfScene } from '@hilera/core/scenes/sceneParts'
import { foldDefaults } from '@hilera/core/shapes/fold'
import { foldProject } from '@hilera/core/folding/foldProject'
import type { Mesh } from '@hilera/core/geometry/mesh'
import { beforeAll, describe, expect, it } from 'vitest'
import { supplierFile } from './supplier'

let bytes: Uint8Array
let scene: Scene
let project: Project
const meshes = new Map<string, Mesh>()
let next = 0
const newId = (kind: string): string => `${kind}-${++next}`

beforeAll(async () => {
  bytes = await supplierFile()
  const read = await readScene(bytes, 'supplier.glb')
  if (!read.ok) throw new Error('not read')
  scene = read.value
  const file = { sha256: 'a'.repeat(64), name: 'supplier.glb' }
  scene.meshes.forEach((m, mesh) => m && meshes.set(meshKey({ file: file.sha256, unit: 'm', mesh }), m.read.mesh))
  const before = emptyProject('Received from the supplier')
  const made = partsOfScene(scene, file, newId, before)
  if (!made.ok) throw new Error('not taken in')
  project = { ...before, ...made.value }
}, 60_000)

/** All places of vertices in the world, by the names of the things. */
function world(doc: Project, library: MeshLibrary): Map<string, Float64Array> {
  const out = new Map<string, Float64Array>()
  const outcomes = new Evaluator().evaluate(doc, library)
  for (const [i, { layout }] of doc.patterns.entries()) {
    const { table } = outcomes[i]
    if (layout.kind !== 'spots') continue
    for (const [k, { name }] of layout.spots.entries()) {
      const mesh = partMesh(doc.parts[table.thing[k]], { parts: doc.parts, meshes: library })!
      const m = composed(
        table.position.subarray(3 * k, 3 * k + 3) as never,
        table.quaternion.subarray(4 * k, 4 * k + 4) as never,
        table.scale.subarray(3 * k, 3 * k + 3) as never,
      )
      const p = mesh.positions
      out.set(
        name!,
        Float64Array.from(p, (_, n) => {
          const at = n - (n % 3)
          const r = n % 3
          return m[r] * p[at] + m[4 + r] * p[at + 1] + m[8 + r] * p[at + 2] + m[12 + r]
        }),
      )
    }
  }
  return out
}

describe('the supplier’s file', () => {
  it('is under 10 MB and holds 640 meshes of their own', () => {
    expect(bytes.length).toBeLessThan(10e6)
    expect(scene.meshes.filter(Boolean)).toHaveLength(640)
    expect(scene.things).toHaveLength(640)
  })

  it('comes in as a valid project with a part for each mesh', () => {
    expect(project.parts).toHaveLength(640)
    const read = readProject(JSON.parse(JSON.stringify(project)))
    expect(read.ok && read.value).toEqual(project)
  })

  it('folds to three shapes and a twin, every vertex where it was within the tolerance, and back', async () => {
    const { report, parts, patterns } = foldProject(project, { parts: project.parts, meshes }, foldDefaults, newId)
    expect(parts).toHaveLength(4)
    expect(report.parts.map(({ copies, twinCopies }) => [copies, twinCopies])).toEqual([
      [320, 0],
      [240, 0],
      [40, 40],
    ])
    expect(report.nearMisses).toEqual([])
    expect(report.worstDeviation).toBeLessThan(1e-5)
    const folded: Project = { ...project, parts, patterns }
    const read = readProject(JSON.parse(JSON.stringify(folded)))
    expect(read.ok && read.value).toEqual(folded)

    const [before, after] = [world(project, meshes), world(folded, meshes)]
    expect(after.size).toBe(640)
    for (const [name, places] of before) {
      const now = after.get(name)!
      let most = 0
      for (let i = 0; i < places.length; i += 3) {
        let least = Infinity
        for (let k = 0; k < now.length && least > 1e-12; k += 3)
          least = Math.min(
            least,
            (places[i] - now[k]) ** 2 + (places[i + 1] - now[k + 1]) ** 2 + (places[i + 2] - now[k + 2]) ** 2,
          )
        most = Math.max(most, least)
      }
      expect(Math.sqrt(most)).toBeLessThan(foldDefaults.tolerance)
    }

    const written = await writeGlb(workedScene(folded, meshes), { style: 'instanced' })
    expect(written.ok && written.value.report).toMatchObject({ copies: 640, meshes: 4 })
    expect(written.ok && bytes.length / written.value.bytes.length).toBeGreaterThan(40)
  }, 60_000)
})
