import {
  type Accessor,
  Document,
  type Material,
  type Mesh as GltfMesh,
  type Node,
  type Texture,
  WebIO,
} from '@gltf-transform/core'
import { EXTMeshGPUInstancing, KHRLightsPunctual, type Light as GltfLight } from '@gltf-transform/extensions'
import { Evaluator, type MeshLibrary, type PatternOutcome } from '../evaluate'
import { Flag, type InstanceTable } from '../instances'
import type { Light, Look, Part } from '../model/part'
import { type PartSource, partMesh } from '../parts/partMesh'
import { buildCurve } from '../curves/build'
import type { Curve } from '../model/curve'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import type { Vec3 } from '../model/values'
import { type Quaternion, compose, fromTurns } from '../rotation'
import { type Mesh, type MeshPicture, type Section, triangleCount } from '../solids/mesh'
import { type Result, done, refused } from '../words'
import { linearOf } from './colors'

/** How copies are written: a node each, or a table of placements that readers with instancing understand. */
export const copyStyles = ['linked', 'instanced'] as const
export type CopyStyle = (typeof copyStyles)[number]

/** What went into a file, and what was left out of it. */
export interface ExportReport {
  readonly style: CopyStyle
  readonly copies: number
  readonly meshes: number
  /** Triangles as they are drawn, every copy counted. */
  readonly triangles: number
  readonly emptyPlaces: number
  readonly hiddenPatterns: number
  readonly hiddenCopies: number
  /** Copies of placeholders, which are never written. */
  readonly placeholders: number
  readonly lights: number
  /** By how much a written position differs from the true one at the most, in metres; 0 for linked copies. */
  readonly rounding: number
}

export interface WrittenGlb {
  readonly bytes: Uint8Array
  readonly report: ExportReport
}

/** One linked copy is one node; beyond this many, readers take minutes and the file is mostly text. */
export const MAX_LINKED_COPIES = 200_000
/** From here on the compact way is offered by itself. */
export const MANY_COPIES = 50_000

/** The way of writing that suits so many copies. */
export const styleFor = (copies: number): CopyStyle => (copies > MANY_COPIES ? 'instanced' : 'linked')

/**
 * Writes a project as binary glTF 2.0: every part once as a mesh, its copies under a node for their pattern. Linked, each
 * copy is a node that uses the mesh, exact to the double; instanced (EXT_mesh_gpu_instancing), the copies of one part in
 * one pattern are a table of 32-bit floats. Empty places and hidden patterns are left out and counted.
 *
 * Curves are guides and stay out unless they are asked for; then they are written as lines.
 *
 * @example await writeGlb(project, new Map(), { style: 'linked' })
 */
export async function writeGlb(
  project: Project,
  meshes: MeshLibrary,
  { style, guides = false, onProgress = () => {} }: GlbOptions,
): Promise<Result<WrittenGlb>> {
  const outcomes = new Evaluator().evaluate(project, meshes)
  const source: PartSource = { parts: project.parts, meshes }
  const plan = forecastGlb(project, outcomes, (part) => partMesh(part, source), style)
  if (!plan.ok) return plan
  const writer = new Writer(source)
  const step = new Breather(plan.value.copies, onProgress)
  let rounding = 0
  for (const [i, pattern] of project.patterns.entries()) {
    if (pattern.hidden) continue
    const { expanded: table } = outcomes[i]
    const group = writer.document
      .createNode(pattern.name)
      .setTranslation(pattern.place.move)
      .setRotation([...fromTurns(pattern.place.turn)])
    const above = pattern.group === undefined ? undefined : writer.groupNode(pattern.group, project)
    if (above) above.addChild(group)
    else writer.scene.addChild(group)
    if (guides && pattern.layout.kind === 'path')
      group.addChild(writer.guide(`${pattern.name} curve`, pattern.layout.curve))
    if (style === 'linked') await writeLinked(writer, group, project, pattern, outcomes[i], step)
    else rounding = Math.max(rounding, await writeInstanced(writer, group, project, table, step))
  }
  const bytes = await new WebIO()
    .registerExtensions([EXTMeshGPUInstancing, KHRLightsPunctual])
    .writeBinary(writer.document)
  onProgress(1)
  return done({ bytes, report: { ...plan.value, rounding } })
}

export interface GlbOptions {
  readonly style: CopyStyle
  /** Writes the curves of paths too, as strips of lines. */
  readonly guides?: boolean
  /** Called with the share done, from 0 to 1. */
  readonly onProgress?: (share: number) => void
}

/** Lets messages through now and then, so that progress is seen and work can be stopped. */
class Breather {
  private done = 0

  constructor(
    private readonly all: number,
    private readonly onProgress: (share: number) => void,
  ) {}

  async took(copies: number): Promise<void> {
    const before = this.done
    this.done += copies
    if (Math.floor(before / 2000) === Math.floor(this.done / 2000)) return
    this.onProgress((0.9 * this.done) / this.all)
    await new Promise((resolve) => setTimeout(resolve))
  }
}

async function writeLinked(
  writer: Writer,
  group: Node,
  project: Project,
  pattern: Pattern,
  { expanded: table, owner }: Pick<PatternOutcome, 'expanded' | 'owner'>,
  step: Breather,
): Promise<void> {
  const { position: p, quaternion: q, scale: s } = table
  const names = ownNames(pattern)
  for (let k = 0; k < table.count; k++) {
    if (table.flags[k] & Flag.empty) continue
    const part = project.parts[table.part[k]]
    if (part.shape.kind === 'placeholder') continue
    const name = owner ? undefined : names?.get(table.slotLow[k])
    const node = writer
      .nodeOf(part, name ?? `${part.name} ${k + 1}`)
      .setTranslation([p[3 * k], p[3 * k + 1], p[3 * k + 2]])
      .setRotation(writer.turnFor(part, [q[4 * k], q[4 * k + 1], q[4 * k + 2], q[4 * k + 3]]))
      .setScale([s[3 * k], s[3 * k + 1], s[3 * k + 2]])
    group.addChild(node)
    await step.took(1)
  }
}

/** The names of copies that stand on places of their own, by their slots. */
function ownNames({ layout }: Pattern): ReadonlyMap<number, string> | undefined {
  if (layout.kind !== 'spots') return undefined
  return new Map(layout.spots.flatMap(({ slot, name }) => (name ? [[slot, name] as const] : [])))
}

/** Returns the largest difference between a written position and the true one. */
async function writeInstanced(
  writer: Writer,
  group: Node,
  project: Project,
  table: InstanceTable,
  step: Breather,
): Promise<number> {
  const rows = new Map<number, number[]>()
  for (let k = 0; k < table.count; k++) {
    if (table.flags[k] & Flag.empty) continue
    const list = rows.get(table.part[k])
    if (list) list.push(k)
    else rows.set(table.part[k], [k])
  }
  let rounding = 0
  for (const [index, list] of rows) {
    const pick = (values: Float64Array, width: number): Float32Array => {
      const out = new Float32Array(width * list.length)
      for (const [i, k] of list.entries()) for (let c = 0; c < width; c++) out[width * i + c] = values[width * k + c]
      return out
    }
    const translation = pick(table.position, 3)
    for (const [i, k] of list.entries()) {
      for (let c = 0; c < 3; c++)
        rounding = Math.max(rounding, Math.abs(translation[3 * i + c] - table.position[3 * k + c]))
    }
    const part = project.parts[index]
    if (part.shape.kind === 'placeholder') continue
    // A light is a node: there is no such thing as an instanced one.
    if (part.shape.kind === 'light') {
      for (const k of list)
        group.addChild(
          writer
            .nodeOf(part, `${part.name} ${k + 1}`)
            .setTranslation([...table.position.subarray(3 * k, 3 * k + 3)] as Vec3)
            .setRotation(
              writer.turnFor(part, [...table.quaternion.subarray(4 * k, 4 * k + 4)] as unknown as Quaternion),
            ),
        )
      continue
    }
    group.addChild(writer.instances(part, translation, pick(table.quaternion, 4), pick(table.scale, 3)))
    await step.took(list.length)
  }
  return rounding
}

/** What an export would hold, counted without writing it; refused when there is nothing or too much to write. */
export function forecastGlb(
  project: Project,
  outcomes: readonly Pick<PatternOutcome, 'expanded' | 'problem'>[],
  meshOf: (part: Part) => Mesh | undefined,
  style: CopyStyle,
): Result<ExportReport> {
  const used = new Map<number, number>()
  const kinds = project.parts.map((part) => part.shape.kind)
  let [emptyPlaces, hiddenPatterns, hiddenCopies, copies, placeholders, lights] = [0, 0, 0, 0, 0, 0]
  for (const [i, { hidden, name }] of project.patterns.entries()) {
    const { expanded: table, problem } = outcomes[i]
    if (problem && !hidden) return refused(`${name} cannot be placed: `, ...problem.says)
    if (hidden) hiddenPatterns++
    for (let k = 0; k < table.count; k++) {
      if (table.flags[k] & Flag.empty) emptyPlaces += hidden ? 0 : 1
      else if (hidden) hiddenCopies++
      else if (kinds[table.part[k]] === 'placeholder') placeholders++
      else {
        copies++
        if (kinds[table.part[k]] === 'light') lights++
        else used.set(table.part[k], (used.get(table.part[k]) ?? 0) + 1)
      }
    }
  }
  if (copies === 0) return refused('There is no copy to export. Add a pattern, or show one that is hidden.')
  if (style === 'linked' && copies > MAX_LINKED_COPIES) {
    return refused(
      { count: copies },
      ' copies are more than one file of linked nodes should hold, ',
      { count: MAX_LINKED_COPIES },
      '. Write them as instances, hide some patterns, or lower a count.',
    )
  }
  let triangles = 0
  for (const [part, times] of used) {
    const mesh = meshOf(project.parts[part])
    if (!mesh) return refused(`The mesh of ${project.parts[part].name} is not there. Drop its file again.`)
    triangles += times * triangleCount(mesh)
  }
  return done({
    style,
    copies,
    meshes: used.size,
    triangles,
    emptyPlaces,
    hiddenPatterns,
    hiddenCopies,
    placeholders,
    lights,
    rounding: 0,
  })
}

/** Lines that stand for one piece of a curve. */
const GUIDE_STEPS = 24

/** The document being written; parts and looks are added the first time that they are used. */
class Writer {
  readonly document = new Document()
  readonly scene = this.document.createScene()
  private readonly buffer = this.document.createBuffer()
  private readonly meshNodes = new Map<string, GltfMesh>()
  private readonly materials = new Map<string, Material>()
  private readonly textures = new Map<MeshPicture, Texture>()
  private readonly groups = new Map<string, Node>()
  private readonly lights = new Map<string, GltfLight>()
  /** What has been written of an array, so that parts of one mesh in several looks share it. */
  private readonly pieces = new WeakMap<object, Map<string, Accessors>>()
  private instancing: EXTMeshGPUInstancing | undefined
  private lighting: KHRLightsPunctual | undefined

  constructor(private readonly source: PartSource) {
    this.document.getRoot().getAsset().generator = 'Hilera'
    this.document.getRoot().setDefaultScene(this.scene)
  }

  meshFor(part: Part): GltfMesh {
    const known = this.meshNodes.get(part.id)
    if (known) return known
    const mesh = partMesh(part, this.source)
    if (!mesh) throw new Error(`mesh of ${part.id} is missing`)
    const made = this.document.createMesh(part.name)
    for (const section of mesh.sections) {
      const { position, normal, uv, indices } = this.accessorsOf(mesh, section)
      const primitive = this.document
        .createPrimitive()
        .setAttribute('POSITION', position)
        .setAttribute('NORMAL', normal)
        .setIndices(indices)
        .setMaterial(this.materialFor(part.look, section, mesh.pictures))
      if (uv) primitive.setAttribute('TEXCOORD_0', uv)
      made.addPrimitive(primitive)
    }
    this.meshNodes.set(part.id, made)
    return made
  }

  private accessorsOf(mesh: Mesh, section: Section): Accessors {
    const known = this.pieces.get(mesh.positions) ?? new Map<string, Accessors>()
    this.pieces.set(mesh.positions, known)
    const key = `${section.start} ${section.count} ${section.picture !== undefined}`
    const found = known.get(key)
    if (found) return found
    const piece = extract(mesh, section)
    const made: Accessors = {
      position: this.accessor(piece.positions, 'VEC3'),
      normal: this.accessor(piece.normals, 'VEC3'),
      ...(piece.uvs && { uv: this.accessor(piece.uvs, 'VEC2') }),
      indices: this.accessor(piece.indices, 'SCALAR'),
    }
    known.set(key, made)
    return made
  }

  /** A node for one copy of a part: its mesh, or the light that it is. */
  nodeOf(part: Part, name: string): Node {
    const node = this.document.createNode(name)
    if (part.shape.kind !== 'light') return node.setMesh(this.meshFor(part))
    return node.setExtension('KHR_lights_punctual', this.lightFor(part, part.shape))
  }

  /** A copy's turn in the file: lights shine down here and along −Z there. */
  turnFor(part: Part, turn: Quaternion): [number, number, number, number] {
    return [...(part.shape.kind === 'light' ? compose(turn, DOWN) : turn)]
  }

  private lightFor({ id, name, look }: Part, { light, brightness, angle }: Light): GltfLight {
    const known = this.lights.get(id)
    if (known) return known
    this.lighting ??= this.document.createExtension(KHRLightsPunctual)
    const made = this.lighting
      .createLight(name)
      .setType(({ point: 'point', spot: 'spot', sun: 'directional' } as const)[light])
      .setColor(linearOf(look.color))
      .setIntensity(brightness)
    if (light === 'spot') made.setOuterConeAngle(angle / 2).setInnerConeAngle(angle * 0.4)
    this.lights.set(id, made)
    return made
  }

  /** The node of a group of patterns, under those of the groups above it. */
  groupNode(id: string, project: Project): Node | undefined {
    const known = this.groups.get(id)
    if (known) return known
    const group = project.groups.find((g) => g.id === id)
    if (!group) return undefined
    const node = this.document.createNode(group.name)
    this.groups.set(id, node)
    const above = group.parent === undefined ? undefined : this.groupNode(group.parent, project)
    if (above) above.addChild(node)
    else this.scene.addChild(node)
    return node
  }

  /** A node that stands for many copies of a part, by EXT_mesh_gpu_instancing. */
  instances(part: Part, translation: Float32Array, rotation: Float32Array, scale: Float32Array): Node {
    this.instancing ??= this.document.createExtension(EXTMeshGPUInstancing).setRequired(true)
    const placed = this.instancing
      .createInstancedMesh()
      .setAttribute('TRANSLATION', this.accessor(translation, 'VEC3'))
      .setAttribute('ROTATION', this.accessor(rotation, 'VEC4'))
      .setAttribute('SCALE', this.accessor(scale, 'VEC3'))
    return this.document
      .createNode(part.name)
      .setMesh(this.meshFor(part))
      .setExtension('EXT_mesh_gpu_instancing', placed)
  }

  /** A curve as strips of short lines, one for each contour. */
  guide(name: string, curve: Curve): Node {
    const built = buildCurve(curve)
    const made = this.document.createMesh(name)
    for (const { segments } of built.ok ? built.value : []) {
      const points = [
        segments[0].point(0),
        ...segments.flatMap((segment) =>
          Array.from({ length: GUIDE_STEPS }, (_, i) => segment.point((i + 1) / GUIDE_STEPS)),
        ),
      ]
      made.addPrimitive(
        this.document
          .createPrimitive()
          .setMode(3)
          .setAttribute('POSITION', this.accessor(new Float32Array(points.flat()), 'VEC3')),
      )
    }
    return this.document.createNode(name).setMesh(made)
  }

  private accessor(data: Float32Array | Uint32Array | Uint16Array, type: 'SCALAR' | 'VEC2' | 'VEC3' | 'VEC4') {
    return this.document
      .createAccessor()
      .setType(type)
      .setArray(data as Float32Array<ArrayBuffer>)
      .setBuffer(this.buffer)
  }

  private materialFor(look: Look, section: Section, pictures: readonly MeshPicture[] = []): Material {
    const color = section.color ?? look.color
    const roughness = section.roughness ?? look.roughness
    const metal = section.metal ?? look.metal
    const picture = section.picture === undefined ? undefined : pictures[section.picture]
    const texture = picture && this.textureFor(picture)
    const glow = look.glow ?? 0
    const key = `${color} ${roughness} ${metal} ${glow} ${texture ? [...this.textures.values()].indexOf(texture) : ''}`
    const known = this.materials.get(key)
    if (known) return known
    const made = this.document
      .createMaterial(color)
      .setBaseColorFactor([...linearOf(color), 1])
      .setRoughnessFactor(roughness)
      .setMetallicFactor(metal)
    if (glow > 0) made.setEmissiveFactor(linearOf(color).map((c) => c * glow) as Vec3)
    if (texture) made.setBaseColorTexture(texture)
    this.materials.set(key, made)
    return made
  }

  private textureFor(picture: MeshPicture): Texture {
    const known = this.textures.get(picture)
    if (known) return known
    const made = this.document
      .createTexture()
      .setImage(picture.bytes as Uint8Array<ArrayBuffer>)
      .setMimeType(picture.mime)
    this.textures.set(picture, made)
    return made
  }
}

/** A quarter turn about across that brings −Z to where a light of ours shines: down. */
const DOWN: Quaternion = [-Math.SQRT1_2, 0, 0, Math.SQRT1_2]

interface Accessors {
  readonly position: Accessor
  readonly normal: Accessor
  readonly uv?: Accessor
  readonly indices: Accessor
}

interface Piece {
  readonly positions: Float32Array
  readonly normals: Float32Array
  readonly uvs?: Float32Array
  readonly indices: Uint32Array | Uint16Array
}

/** The vertices that a section uses, numbered anew; short indices where they suffice. */
function extract({ positions, normals, uvs, indices: all }: Mesh, { start, count, picture }: Section): Piece {
  const renumbered = new Map<number, number>()
  const indices = new Uint32Array(count)
  for (let i = 0; i < count; i++) {
    const old = all[start + i]
    let fresh = renumbered.get(old)
    if (fresh === undefined) renumbered.set(old, (fresh = renumbered.size))
    indices[i] = fresh
  }
  const pick = (values: Float32Array, width: number): Float32Array => {
    const out = new Float32Array(width * renumbered.size)
    for (const [old, fresh] of renumbered)
      for (let i = 0; i < width; i++) out[width * fresh + i] = values[width * old + i]
    return out
  }
  return {
    positions: pick(positions, 3),
    normals: pick(normals, 3),
    ...(uvs && picture !== undefined && { uvs: pick(uvs, 2) }),
    indices: renumbered.size < 65536 ? Uint16Array.from(indices) : indices,
  }
}
