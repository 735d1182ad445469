import { Document, type Material, type Mesh as GltfMesh, WebIO } from '@gltf-transform/core'
import { Evaluator, type MeshLibrary, type PatternOutcome } from '../evaluate'
import { Flag } from '../instances'
import type { Look, Part } from '../model/part'
import type { Project } from '../model/project'
import { fromTurns } from '../rotation'
import { buildSolid } from '../solids/build'
import { type Mesh, triangleCount } from '../solids/mesh'
import { type Result, done, refused } from '../words'
import { linearOf } from './colors'

/** What went into a file, and what was left out of it. */
export interface ExportReport {
  readonly copies: number
  readonly meshes: number
  /** Triangles as they are drawn, every copy counted. */
  readonly triangles: number
  readonly emptyPlaces: number
  readonly hiddenPatterns: number
  readonly hiddenCopies: number
}

export interface WrittenGlb {
  readonly bytes: Uint8Array
  readonly report: ExportReport
}

/** One copy is one node; beyond this many, readers take minutes and the file is mostly text. */
export const MAX_LINKED_COPIES = 200_000

/**
 * Writes a project as binary glTF 2.0 with linked copies: every part once as a mesh, every copy as a node that uses it,
 * under a node for its pattern. Empty places and hidden patterns are left out and counted.
 *
 * @param onProgress called with the share done, from 0 to 1, while nodes are written
 * @example const { bytes, report } = …; await writeGlb(project, new Map(), () => {})
 */
export async function writeGlb(project: Project, meshes: MeshLibrary, onProgress: (share: number) => void): Promise<Result<WrittenGlb>> {
  const outcomes = new Evaluator().evaluate(project, meshes)
  const plan = forecastGlb(project, outcomes, (part) => meshOfPart(part, meshes))
  if (!plan.ok) return plan
  const writer = new Writer(meshes)
  let written = 0
  for (const [i, pattern] of project.patterns.entries()) {
    if (pattern.hidden) continue
    const { table } = outcomes[i]
    const group = writer.document.createNode(pattern.name).setTranslation(pattern.place.move).setRotation([...fromTurns(pattern.place.turn)])
    writer.scene.addChild(group)
    const { position: p, quaternion: q, scale: s } = table
    for (let k = 0; k < table.count; k++) {
      if (table.flags[k] & Flag.empty) continue
      const part = project.parts[table.part[k]]
      const node = writer.document
        .createNode(`${part.name} ${k + 1}`)
        .setMesh(writer.meshFor(part))
        .setTranslation([p[3 * k], p[3 * k + 1], p[3 * k + 2]])
        .setRotation([q[4 * k], q[4 * k + 1], q[4 * k + 2], q[4 * k + 3]])
        .setScale([s[3 * k], s[3 * k + 1], s[3 * k + 2]])
      group.addChild(node)
      // Let messages through now and then, so that progress is seen and work can be stopped.
      if (++written % 2000 === 0) {
        onProgress((0.9 * written) / plan.value.copies)
        await new Promise((resolve) => setTimeout(resolve))
      }
    }
  }
  const bytes = await new WebIO().writeBinary(writer.document)
  onProgress(1)
  return done({ bytes, report: plan.value })
}

/** What an export would hold, counted without writing it; refused when there is nothing or too much to write. */
export function forecastGlb(
  project: Project,
  outcomes: readonly PatternOutcome[],
  meshOf: (part: Part) => Mesh | undefined,
): Result<ExportReport> {
  const used = new Map<number, number>()
  let [emptyPlaces, hiddenPatterns, hiddenCopies, copies] = [0, 0, 0, 0]
  for (const [i, { hidden, name }] of project.patterns.entries()) {
    const { table, problem } = outcomes[i]
    if (problem && !hidden) return refused(`${name} cannot be placed: `, ...problem.says)
    if (hidden) hiddenPatterns++
    for (let k = 0; k < table.count; k++) {
      if (table.flags[k] & Flag.empty) emptyPlaces += hidden ? 0 : 1
      else if (hidden) hiddenCopies++
      else {
        copies++
        used.set(table.part[k], (used.get(table.part[k]) ?? 0) + 1)
      }
    }
  }
  if (copies === 0) return refused('There is no copy to export. Add a pattern, or show one that is hidden.')
  if (copies > MAX_LINKED_COPIES) {
    return refused({ count: copies }, ' copies are more than one file of linked copies should hold, ', { count: MAX_LINKED_COPIES }, '. Hide some patterns or lower a count.')
  }
  let triangles = 0
  for (const [part, times] of used) {
    const mesh = meshOf(project.parts[part])
    if (!mesh) return refused(`The mesh of ${project.parts[part].name} is not there. Drop its file again.`)
    triangles += times * triangleCount(mesh)
  }
  return done({ copies, meshes: used.size, triangles, emptyPlaces, hiddenPatterns, hiddenCopies })
}

/** A part's triangles: built from its numbers, or as read from its file. */
export const meshOfPart = (part: Part, meshes: MeshLibrary): Mesh | undefined =>
  part.shape.kind === 'mesh' ? meshes.get(part.shape.file) : buildSolid(part.shape)

/** The document being written; parts and looks are added the first time that they are used. */
class Writer {
  readonly document = new Document()
  readonly scene = this.document.createScene()
  private readonly buffer = this.document.createBuffer()
  private readonly meshNodes = new Map<string, GltfMesh>()
  private readonly materials = new Map<string, Material>()

  constructor(private readonly meshes: MeshLibrary) {
    this.document.getRoot().getAsset().generator = 'Hilera'
    this.document.getRoot().setDefaultScene(this.scene)
  }

  meshFor(part: Part): GltfMesh {
    const known = this.meshNodes.get(part.id)
    if (known) return known
    const mesh = meshOfPart(part, this.meshes)
    if (!mesh) throw new Error(`mesh of ${part.id} is missing`)
    const made = this.document.createMesh(part.name)
    const accessor = (data: Float32Array | Uint32Array | Uint16Array, type: 'VEC3' | 'SCALAR') =>
      this.document.createAccessor().setType(type).setArray(data as Float32Array<ArrayBuffer>).setBuffer(this.buffer)
    for (const section of mesh.sections) {
      const piece = extract(mesh, section.start, section.count)
      made.addPrimitive(
        this.document
          .createPrimitive()
          .setAttribute('POSITION', accessor(piece.positions, 'VEC3'))
          .setAttribute('NORMAL', accessor(piece.normals, 'VEC3'))
          .setIndices(accessor(piece.indices, 'SCALAR'))
          .setMaterial(
            this.materialFor({
              color: section.color ?? part.look.color,
              roughness: section.roughness ?? part.look.roughness,
              metal: section.metal ?? part.look.metal,
            }),
          ),
      )
    }
    this.meshNodes.set(part.id, made)
    return made
  }

  private materialFor({ color, roughness, metal }: Look): Material {
    const key = `${color} ${roughness} ${metal}`
    const known = this.materials.get(key)
    if (known) return known
    const made = this.document
      .createMaterial(color)
      .setBaseColorFactor([...linearOf(color), 1])
      .setRoughnessFactor(roughness)
      .setMetallicFactor(metal)
    this.materials.set(key, made)
    return made
  }
}

/** The vertices that a run of indices uses, numbered anew; short indices where they suffice. */
function extract(mesh: Mesh, start: number, count: number): { positions: Float32Array; normals: Float32Array; indices: Uint32Array | Uint16Array } {
  const renumbered = new Map<number, number>()
  const indices = new Uint32Array(count)
  for (let i = 0; i < count; i++) {
    const old = mesh.indices[start + i]
    let fresh = renumbered.get(old)
    if (fresh === undefined) renumbered.set(old, (fresh = renumbered.size))
    indices[i] = fresh
  }
  const positions = new Float32Array(3 * renumbered.size)
  const normals = new Float32Array(3 * renumbered.size)
  for (const [old, fresh] of renumbered) {
    for (let i = 0; i < 3; i++) {
      positions[3 * fresh + i] = mesh.positions[3 * old + i]
      normals[3 * fresh + i] = mesh.normals[3 * old + i]
    }
  }
  return { positions, normals, indices: renumbered.size < 65536 ? Uint16Array.from(indices) : indices }
}
