import {
  type Accessor,
  Document,
  type Material,
  type Mesh as GltfMesh,
  type Node,
  type Texture,
} from '@gltf-transform/core'
import { EXTMeshGPUInstancing, KHRLightsPunctual, type Light as GltfLight } from '@gltf-transform/extensions'
import { buildCurve } from '../../curves/build'
import type { Curve } from '../../values/curve'
import type { Light, Look, Part } from '../../model/part'
import type { Project } from '../../model/project'
import type { Vec3 } from '../../values/values'
import { type Guise, guiseKey } from '../../parts/guise'
import { nameOfGuise, writtenMesh } from '../../parts/written'
import type { PartSource } from '../../parts/partMesh'
import { type Quaternion, compose } from '../../geometry/rotation'
import type { Mesh, MeshPicture, Section } from '../../geometry/mesh'
import { linearOf, toLinear } from '../../colors'
import type { Placing } from '../../instances'
import type { LinkedCopy } from './exactIo'

/** Lines that stand for one piece of a curve. */
const GUIDE_STEPS = 24

/** A glTF document being written; parts, looks, groups and lights are added the first time that they are used. */
export class GlbDocument {
  readonly document = new Document()
  readonly scene = this.document.createScene()
  /** Copies that are to be nodes of the file, by the node that they come under. */
  readonly copies = new Map<Node, LinkedCopy[]>()
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

  meshFor(guise: Guise): GltfMesh {
    const key = guiseKey(guise)
    const known = this.meshNodes.get(key)
    if (known) return known
    const part = this.source.parts[guise.part]
    const mesh = writtenMesh(part, this.source, guise)
    if (!mesh) throw new Error(`mesh of ${part.id} is missing`)
    const made = this.meshOf(nameOfGuise(part, guise), mesh, part.look)
    this.meshNodes.set(key, made)
    return made
  }

  /** Any triangles as a mesh of the file, in the looks of their sections, or in the one given. */
  meshOf(name: string, mesh: Mesh, look: Look): GltfMesh {
    const made = this.document.createMesh(name)
    for (const section of mesh.sections) {
      const { position, normal, uv, color, indices } = this.accessorsOf(mesh, section)
      const primitive = this.document
        .createPrimitive()
        .setAttribute('POSITION', position)
        .setAttribute('NORMAL', normal)
        .setIndices(indices)
        .setMaterial(this.materialFor(look, section, mesh.pictures))
      if (uv) primitive.setAttribute('TEXCOORD_0', uv)
      if (color) primitive.setAttribute('COLOR_0', color)
      made.addPrimitive(primitive)
    }
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
      ...(piece.colors && { color: this.accessor(piece.colors, 'VEC3') }),
      indices: this.accessor(piece.indices, 'SCALAR'),
    }
    known.set(key, made)
    return made
  }

  /** A node for one copy of a part: its mesh, or the light that it is. */
  nodeOf(guise: Guise, name: string): Node {
    const part = this.source.parts[guise.part]
    const node = this.document.createNode(name)
    if (part.shape.kind !== 'light') return node.setMesh(this.meshFor(guise))
    return node.setExtension('KHR_lights_punctual', this.lightFor(part, part.shape))
  }

  /** Puts a copy that does nothing but stand there under a node. */
  addCopy(above: Node, guise: Guise, name: string, placing: Placing): void {
    const part = this.source.parts[guise.part]
    if (part.shape.kind === 'light') {
      const { move, turn, size } = placing
      above.addChild(this.nodeOf(guise, name).setTranslation(move).setRotation(this.turnFor(part, turn)).setScale(size))
      return
    }
    const copy = { name, mesh: this.meshFor(guise), ...placing }
    const own = this.copies.get(above)
    if (own) own.push(copy)
    else this.copies.set(above, [copy])
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
  instances(guise: Guise, translation: Float32Array, rotation: Float32Array, scale: Float32Array): Node {
    this.instancing ??= this.document.createExtension(EXTMeshGPUInstancing).setRequired(true)
    const placed = this.instancing
      .createInstancedMesh()
      .setAttribute('TRANSLATION', this.accessor(translation, 'VEC3'))
      .setAttribute('ROTATION', this.accessor(rotation, 'VEC4'))
      .setAttribute('SCALE', this.accessor(scale, 'VEC3'))
    return this.document
      .createNode(nameOfGuise(this.source.parts[guise.part], guise))
      .setMesh(this.meshFor(guise))
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

  accessor(data: Float32Array | Uint32Array | Uint16Array, type: 'SCALAR' | 'VEC2' | 'VEC3' | 'VEC4') {
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
  readonly color?: Accessor
  readonly indices: Accessor
}

interface Piece {
  readonly positions: Float32Array
  readonly normals: Float32Array
  readonly uvs?: Float32Array
  /** In linear light, as glTF has them. */
  readonly colors?: Float32Array
  readonly indices: Uint32Array | Uint16Array
}

/** The vertices that a section uses, numbered anew; short indices where they suffice. */
function extract({ positions, normals, uvs, colors, indices: all }: Mesh, { start, count, picture }: Section): Piece {
  const renumbered = new Map<number, number>()
  const indices = new Uint32Array(count)
  for (let i = 0; i < count; i++) {
    const old = all[start + i]
    let fresh = renumbered.get(old)
    if (fresh === undefined) renumbered.set(old, (fresh = renumbered.size))
    indices[i] = fresh
  }
  const pick = (values: Float32Array | Uint8Array, width: number): Float32Array => {
    const out = new Float32Array(width * renumbered.size)
    for (const [old, fresh] of renumbered)
      for (let i = 0; i < width; i++) out[width * fresh + i] = values[width * old + i]
    return out
  }
  return {
    positions: pick(positions, 3),
    normals: pick(normals, 3),
    ...(uvs && picture !== undefined && { uvs: pick(uvs, 2) }),
    ...(colors && { colors: pick(colors, 3).map((n) => toLinear(n / 255)) }),
    indices: renumbered.size < 65536 ? Uint16Array.from(indices) : indices,
  }
}
