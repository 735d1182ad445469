import { type InstanceTable } from '../instances'
import { type SurfaceFrame, inFrame, keyOfFrame, ownFrame } from '../mirror/frames'
import type { Part } from '../model/part'
import type { Vec3 } from '../values/values'
import { rotate } from '../geometry/rotation'
import type { Mesh } from '../geometry/mesh'
import { mirroredMesh } from '../solids/placed'
import { type PartSource, bareMesh, partMesh, pictureOn } from './partMesh'
import { faceted, pictured } from './surface'
import { tinted } from './tint'

/** How a copy shows its part: as it is or as its mirror image, its grain and pictures as they lie there or in a frame of their own. */
export interface Guise {
  /** Counts into the project's parts. */
  readonly part: number
  readonly twin: boolean
  /** Where the surface lies otherwise than on the part, or has another colour. */
  readonly frame?: SurfaceFrame
}

/** There are fewer things than this in a project. */
const THINGS = 0x8000

/** What tells the guises of one table apart, as one number. */
export const guiseNumber = (table: InstanceTable, k: number): number =>
  table.thing[k] + THINGS * ((table.isTwin(k) ? 1 : 0) + 2 * table.surface[k])

/** The guise of a number, with the frames that the table's surfaces count into. */
export function guiseOf(number: number, frames: readonly SurfaceFrame[]): Guise {
  const rest = Math.floor(number / THINGS)
  const frame = frames[Math.floor(rest / 2) - 1]
  return { part: number % THINGS, twin: rest % 2 === 1, ...(frame && { frame }) }
}

/** What tells guises apart in all patterns. */
export const guiseKey = ({ part, twin, frame }: Guise): string => `${part} ${twin} ${frame ? keyOfFrame(frame) : ''}`

/** The triangles of a part in a guise; undefined while its mesh has not been read. */
export function guiseMesh(part: Part, source: PartSource, guise: Guise): Mesh | undefined {
  const own = partMesh(part, source)
  if (!own) return undefined
  const shown = guise.twin ? mirroredMesh(own) : own
  const { frame } = guise
  if (!frame) return shown
  const byFrame = framed.get(shown) ?? new Map<string, Mesh>()
  framed.set(shown, byFrame)
  const key = keyOfFrame(frame)
  const known = byFrame.get(key)
  if (known) return known
  const lies = isOwn(frame, guise.twin) ? shown : inItsFrame(part, source, guise.twin, shown, frame)
  const made = frame.color === undefined ? lies : tinted(lies, part.look.color, frame.color)
  byFrame.set(key, made)
  return made
}

const isOwn = ({ turn, mirrored }: SurfaceFrame, twin: boolean): boolean => mirrored === twin && Math.abs(turn[3]) === 1

const framed = new WeakMap<Mesh, Map<string, Mesh>>()

function inItsFrame(part: Part, source: PartSource, twin: boolean, shown: Mesh, frame: SurfaceFrame): Mesh {
  const picture = pictureOn(part, source)
  const bare = picture && bareMesh(part, source)
  if (!picture || !bare) return frame.mirrored === twin ? shown : flippedPictures(shown)
  // The picture is laid on as the part sees it: the shape is brought into its frame and back.
  const laid = carriedMesh(pictured(carriedMesh(twin ? mirroredMesh(bare) : bare, frame, true), picture), frame, false)
  return part.look.faceted ? faceted(laid) : laid
}

/** A mesh turned into a frame, or back out of it; its faces look outward all the same. */
function carriedMesh(mesh: Mesh, { turn: [x, y, z, w], mirrored }: SurfaceFrame, back: boolean): Mesh {
  const turned = (source: Mesh): Mesh => {
    const carry = (values: Float32Array): Float32Array => {
      const out = new Float32Array(values.length)
      for (let i = 0; i < values.length; i += 3)
        out.set(rotate(back ? [-x, -y, -z, w] : [x, y, z, w], [values[i], values[i + 1], values[i + 2]]), i)
      return out
    }
    return { ...source, positions: carry(source.positions), normals: carry(source.normals) }
  }
  if (!mirrored) return turned(mesh)
  return back ? mirroredMesh(turned(mesh)) : turned(mirroredMesh(mesh))
}

/** Pictures that came with a mesh, flipped from left to right over the room that they take: as they read on the part. */
function flippedPictures(mesh: Mesh): Mesh {
  if (!mesh.uvs) return mesh
  const uvs = mesh.uvs.slice()
  for (const { start, count, picture } of mesh.sections) {
    if (picture === undefined) continue
    const vertices = new Set(mesh.indices.subarray(start, start + count))
    let [low, high] = [Infinity, -Infinity]
    for (const v of vertices) {
      low = Math.min(low, mesh.uvs[2 * v])
      high = Math.max(high, mesh.uvs[2 * v])
    }
    for (const v of vertices) uvs[2 * v] = low + high - mesh.uvs[2 * v]
  }
  return { ...mesh, uvs }
}

/** Which way the grain runs on a guise, and which way its rings' ends are drawn where a face looks along it. */
export function grainOf(
  { look }: Part,
  { twin, frame = ownFrame(twin) }: Guise,
): { way: Vec3; ends: Vec3; width: number } | undefined {
  if (!look.grain) return undefined
  const { turn, width } = look.grain
  return { way: inFrame(frame, [Math.cos(turn), Math.sin(turn), 0]), ends: inFrame(frame, [0, 0, 1]), width }
}
