import type { Document, Mesh as GltfMesh, Node } from '@gltf-transform/core'
import type { FileUnit } from '../model/part'
import type { Vec3 } from '../values/values'
import type { Quaternion } from '../geometry/rotation'
import { type Result, done, refused } from '../words'
import { type Piece, joined } from './gltf/joined'
import { type PlacedNode, instancesOf, placedNodes } from './gltf/nodes'
import { openGlb } from './gltf/open'
import { type Matrix, IDENTITY, takenApart, times } from '../geometry/matrix'
import { type ReadMesh, metresPer } from './readMesh'

/** A mesh of a scene by itself, about its own origin. */
export interface SceneMesh {
  readonly name: string
  readonly read: ReadMesh
}

/** A thing that stands in a scene, in metres from the scene's origin. */
export interface SceneThing {
  readonly name: string
  /** Counts into the scene's meshes. */
  readonly mesh: number
  /** Counts into the scene's groups; at the top where it is absent. */
  readonly group?: number
  readonly move: Vec3
  readonly turn: Quaternion
  readonly size: Vec3
  /** It stood with a negative size: what is placed is the mesh mirrored across. */
  readonly mirrored: boolean
}

/** An empty node at the end of its branch: a place and nothing else, in metres from the scene's origin. */
export type SceneMark = Omit<SceneThing, 'mesh' | 'mirrored'>

/** A scene taken apart: meshes, things that stand there, and the groups that hold them. */
export interface Scene {
  /** The file's meshes by their numbers; undefined for those that are not used or hold no triangle. */
  readonly meshes: readonly (SceneMesh | undefined)[]
  readonly things: readonly SceneThing[]
  /** Empty nodes that mark places. */
  readonly marks: readonly SceneMark[]
  readonly groups: readonly { readonly name: string; readonly parent?: number }[]
  /** Things whose placement was worked into a mesh of their own, because no move, turn and size can say it. */
  readonly leaning: number
  readonly unit: FileUnit
  /** What the file holds besides, in words, that is not read. */
  readonly leftBehind: readonly string[]
}

/**
 * Reads a glTF 2.0 file as a scene: nodes become things under the groups that their parents make, meshes that several nodes
 * use stay one, instances are told apart. Node sizes below 0 are taken as a mirroring, so that no size is negative.
 *
 * The meshes count as in the file, and after them those of leaning nodes in their order, so that a number names one mesh
 * whenever the file is read.
 */
export async function readScene(bytes: Uint8Array, name: string, unit: FileUnit = 'm'): Promise<Result<Scene>> {
  const opened = await openGlb(bytes, name)
  return opened.ok ? takeApart(opened.value, name, unit) : opened
}

function takeApart(document: Document, name: string, unit: FileUnit): Result<Scene> {
  const listed = document.getRoot().listMeshes()
  const numbers = new Map(listed.map((mesh, i) => [mesh, i]))
  const things: SceneThing[] = []
  const groups: { name: string; parent?: number }[] = []
  const leaning: { mesh: GltfMesh; matrix: Matrix; name: string }[] = []
  const by = metresPer[unit]

  const marks: SceneMark[] = []
  const joints = new Set(
    document
      .getRoot()
      .listSkins()
      .flatMap((skin) => skin.listJoints()),
  )
  const mark = (node: Node, matrix: Matrix, group: number | undefined): void => {
    const { move, turn, size } = takenApart(matrix) ?? unturnedAt(matrix)
    marks.push({
      name: node.getName() || `Place ${marks.length + 1}`,
      move: move.map((n) => n * by) as Vec3,
      turn,
      size,
      ...(group !== undefined && { group }),
    })
  }
  const stand = (node: Node, mesh: GltfMesh, matrix: Matrix, group: number | undefined): void => {
    const apart = takenApart(matrix)
    // What leans has its placement in a mesh of its own.
    const placed = apart ?? { ...unturnedAt(IDENTITY), mirrored: false }
    if (!apart) leaning.push({ mesh, matrix, name: mesh.getName() || node.getName() })
    things.push({
      ...placed,
      move: placed.move.map((n) => n * by) as Vec3,
      name: node.getName() || mesh.getName() || `Thing ${things.length + 1}`,
      mesh: apart ? numbers.get(mesh)! : listed.length + leaning.length - 1,
      ...(group !== undefined && { group }),
    })
  }
  const groupOf = new Map<PlacedNode, number | undefined>()
  for (const placed of placedNodes(document)) {
    const { node, matrix, parent } = placed
    const group = parent && groupOf.get(parent)
    const mesh = node.getMesh()
    const instances = instancesOf(node)
    let inside = group
    if (node.listChildren().length > 0 || instances.length > 1) {
      inside = groups.length
      groups.push({
        name: node.getName() || `Group ${groups.length + 1}`,
        ...(group !== undefined && { parent: group }),
      })
    }
    groupOf.set(placed, inside)
    if (mesh) for (const own of instances) stand(node, mesh, times(matrix, own), inside)
    else if (isMark(node) && !joints.has(node)) for (const own of instances) mark(node, times(matrix, own), inside)
  }

  const used = new Set(things.map((thing) => thing.mesh))
  const meshes: (SceneMesh | undefined)[] = []
  const damaged: string[] = []
  const read = (pieces: readonly Piece[], called: string, number: number): void => {
    const made = used.has(number) && pieces.length > 0 ? joined(pieces, name, unit) : undefined
    // A mesh of points or lines has no triangle: its things are left out, the others come in. One that should have some is damaged.
    if (made && !made.ok && pieces.some(({ primitive }) => primitive.getMode() >= 4)) damaged.push(called)
    meshes.push(made?.ok ? { name: called, read: made.value } : undefined)
  }
  for (const [i, mesh] of listed.entries())
    read(
      mesh.listPrimitives().map((primitive) => ({ primitive, matrix: IDENTITY })),
      mesh.getName() || `Mesh ${i + 1}`,
      i,
    )
  for (const [i, { mesh, matrix, name: called }] of leaning.entries())
    read(
      mesh.listPrimitives().map((primitive) => ({ primitive, matrix })),
      called,
      listed.length + i,
    )
  const standing = things.filter((thing) => meshes[thing.mesh])
  if (standing.length === 0 && marks.length === 0)
    return refused(`${name} holds no triangles. Choose a file with a mesh in it.`)
  const lost = damaged.length > 0 ? [`damaged meshes (${inShort(damaged)})`] : []
  return done({
    meshes,
    things: standing,
    marks,
    groups,
    leaning: leaning.length,
    unit,
    leftBehind: [...lost, ...leftBehind(document)],
  })
}

/** Whether a node is a place and nothing else: no camera, no light, nothing under it. */
const isMark = (node: Node): boolean =>
  node.listChildren().length === 0 &&
  !node.getCamera() &&
  node.listExtensions().every(({ extensionName }) => extensionName === 'EXT_mesh_gpu_instancing')

/** Where a matrix brings the origin. */
const unturnedAt = (matrix: Matrix): Pick<SceneThing, 'move' | 'turn' | 'size'> => ({
  move: [matrix[12], matrix[13], matrix[14]],
  turn: [0, 0, 0, 1],
  size: [1, 1, 1],
})

/** The first few names, and how many more there are. */
const inShort = (names: readonly string[]): string =>
  `${names.slice(0, 3).join(', ')}${names.length > 3 ? ` and ${names.length - 3} more` : ''}`

/** What of a file has no place in a project here. */
function leftBehind(document: Document): string[] {
  const root = document.getRoot()
  const primitives = root.listMeshes().flatMap((mesh) => mesh.listPrimitives())
  const semantics = new Set(primitives.flatMap((primitive) => primitive.listSemantics()))
  const textured = root
    .listMaterials()
    .some(
      (m) =>
        m.getNormalTexture() ?? m.getMetallicRoughnessTexture() ?? m.getOcclusionTexture() ?? m.getEmissiveTexture(),
    )
  const found: readonly (readonly [boolean, string])[] = [
    [root.listAnimations().length > 0, 'movement'],
    [root.listSkins().length > 0, 'skins'],
    [root.listCameras().length > 0, 'cameras'],
    [root.listNodes().some((node) => node.getExtension('KHR_lights_punctual')), 'lights'],
    [primitives.some((primitive) => primitive.listTargets().length > 0), 'shape targets'],
    [textured, 'pictures other than colour'],
    [semantics.has('COLOR_0'), 'colours of vertices'],
    [primitives.some((primitive) => primitive.getMode() < 4), 'points and lines'],
    [root.listMaterials().some((m) => m.getAlphaMode() !== 'OPAQUE'), 'transparency'],
  ]
  return found.filter(([there]) => there).map(([, words]) => words)
}
