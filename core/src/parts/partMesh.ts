import { type Assembly, type MeshShape, type Part, isSolid, meshKey, partsInside } from '../model/part'
import { buildSolid } from '../solids/build'
import { boxMesh } from '../solids/boxes'
import type { Mesh, MeshPicture } from '../geometry/mesh'
import { mergedMesh, mirroredMesh, placedMesh } from '../solids/placed'
import { lampMesh } from './lamp'
import { cutMesh } from './pieces'
import { faceted, framed, pictured } from './surface'

/** Meshes read from files, by `meshKey`. */
export type MeshLibrary = ReadonlyMap<string, Mesh>

/** Where the meshes of parts come from: the project's parts, and the meshes that have been read from files. */
export interface PartSource {
  readonly parts: readonly Part[]
  readonly meshes: MeshLibrary
}

const known = new WeakMap<Part, { readonly from: readonly unknown[]; readonly mesh: Mesh | undefined }>()

/**
 * A part's triangles about its pivot, in metres: built from its numbers, read from its file, put together from the parts
 * inside it, or mirrored from the part whose twin it is; formed, framed and given its surface. Undefined while a file has not
 * been read. Kept for as long as nothing that it rests on changes.
 */
export function partMesh(part: Part, source: PartSource): Mesh | undefined {
  const from = restsOn(part, source)
  const before = known.get(part)
  if (before && before.from.length === from.length && before.from.every((f, i) => f === from[i])) return before.mesh
  const mesh = build(part, source)
  known.set(part, { from, mesh })
  return mesh
}

/** Everything by which a part's triangles would change besides the part itself. */
export function restsOn({ id, shape, look }: Part, source: PartSource, above: readonly string[] = []): unknown[] {
  const picture = look.picture && source.meshes.get(pictureKey(look.picture.file))
  if (shape.kind === 'mesh') return [source.meshes.get(meshKey(shape)), picture]
  const inner = partsInside({ shape } as Part).map((id) => source.parts.find((p) => p.id === id))
  return [
    picture,
    ...inner.flatMap((p) =>
      p && !above.includes(p.id) && p.id !== id ? [p, ...restsOn(p, source, [...above, id])] : [],
    ),
  ]
}

/** Under which a picture on a part is kept among the meshes: as a mesh without triangles that carries it. */
export const pictureKey = (file: string): string => `picture ${file}`

function build(part: Part, source: PartSource): Mesh | undefined {
  const bare = bareMesh(part, source)
  const picture = pictureOn(part, source)
  const shown = bare && picture ? pictured(bare, picture) : bare
  return shown && part.look.faceted ? faceted(shown) : shown
}

/** A part's triangles as it stands, without the picture that lies on it. */
export function bareMesh(part: Part, source: PartSource): Mesh | undefined {
  const raw = rawMesh(part, source)
  return raw && framed(raw, part.frame)
}

/** The picture that lies on a part, once it has been read. */
export const pictureOn = ({ look }: Part, source: PartSource): MeshPicture | undefined =>
  look.picture && source.meshes.get(pictureKey(look.picture.file))?.pictures?.[0]

function rawMesh({ shape, form }: Part, source: PartSource): Mesh | undefined {
  if (isSolid(shape)) return buildSolid(shape, form)
  if (shape.kind === 'mesh') {
    const read = readMeshOf(shape, source)
    return shape.looks === 'part' ? covered(read) : read
  }
  if (shape.kind === 'placeholder') return boxMesh(shape.width, shape.height, shape.depth)
  if (shape.kind === 'light') return lampMesh(shape)
  if (shape.kind === 'assembly') return assembled(shape, source)
  const of = source.parts.find((p) => p.id === shape.of)
  const mesh = of && partMesh(of, source)
  return mesh && mirroredMesh(mesh)
}

/** What a part from a file is, as it lies there and with the looks that it has there; undefined while the file has not been read. */
export function readMeshOf(shape: MeshShape, { meshes }: Pick<PartSource, 'meshes'>): Mesh | undefined {
  const whole = meshes.get(meshKey(shape))
  return whole && shape.cuts ? cutMesh(whole, shape.cuts) : whole
}

/** A mesh whose own looks are left to its part; only what picture lies where stays, and the colours of its vertices. */
const covered = (mesh: Mesh | undefined): Mesh | undefined =>
  mesh && {
    ...mesh,
    sections: mesh.sections.map(({ start, count, picture }) => ({
      start,
      count,
      ...(picture !== undefined && { picture }),
    })),
  }

function assembled({ members }: Assembly, source: PartSource): Mesh | undefined {
  const pieces: Mesh[] = []
  for (const member of members) {
    const part = source.parts.find((p) => p.id === member.part)
    const mesh = part && partMesh(part, source)
    if (!part || !mesh) return undefined
    const { color, roughness, metal } = part.look
    pieces.push({
      ...placedMesh(mesh, member),
      sections: mesh.sections.map((section) => ({ color, roughness, metal, ...section })),
    })
  }
  return mergedMesh(pieces)
}
