import type { PatternOutcome } from '../../evaluate'
import { type InstanceTable } from '../../instances'
import type { Look } from '../../model/part'
import type { Project } from '../../model/project'
import { type Vec3, dot } from '../../geometry/vec'
import { guiseNumber, guiseOf } from '../../parts/guise'
import type { PartSource } from '../../parts/partMesh'
import { writtenMesh } from '../../parts/written'
import { type Quaternion, compose, fromTurns, rotate } from '../../geometry/rotation'
import type { Mesh } from '../../geometry/mesh'
import { mergedMesh } from '../../solids/placed'
import type { Plane } from '../../geometry/isometry'
import { gatheredMesh, weldedMesh } from '../../geometry/weld'

/** A copy, by its pattern and its row in the expanded table. */
export interface CopyAt {
  readonly pattern: number
  readonly row: number
}

/** Copies that touch on mirror planes as one mesh, in the axes of the first one's pattern. */
export interface Joined {
  readonly copies: readonly CopyAt[]
  readonly mesh: Mesh
  readonly look: Look
}

/** Faces that lie on a plane within so much, in metres, touch. */
const TOUCHING = 1e-6

/** A copy brought into the world, with which of its triangles lie on which plane. */
interface Standing extends CopyAt {
  readonly mesh: Mesh
  readonly onPlane: Map<number, Set<number>>
}

/**
 * Joins copies that touch on a mirror plane: where the faces of one side cover those of the other exactly, both are taken out,
 * the rest becomes one mesh, and its points on the seam are welded.
 */
export function joinSeams(project: Project, outcomes: readonly PatternOutcome[], source: PartSource): Joined[] {
  const planes = planesInWorld(project, outcomes)
  if (planes.length === 0) return []
  const standing = touchingCopies(project, outcomes, source, planes)
  const groups = grouped(standing, planes)
  return groups.map((members) => {
    const { move, turn } = project.patterns[members[0].pattern].place
    const q = fromTurns(turn)
    const pieces = members.map(({ mesh, onPlane, pattern, row }) => {
      const part = project.parts[outcomes[pattern].expanded.thing[row]]
      const { color, roughness, metal } = part.look
      const open = without(mesh, new Set([...onPlane.values()].flatMap((faces) => [...faces])))
      const sections = open.sections.map((section) => ({ color, roughness, metal, ...section }))
      return brought({ ...open, sections }, [-q[0], -q[1], -q[2], q[3]], move)
    })
    const first = project.parts[outcomes[members[0].pattern].expanded.thing[members[0].row]]
    const copies = members.map(({ pattern, row }) => ({ pattern, row }))
    return { copies, mesh: weldedMesh(gatheredMesh(mergedMesh(pieces)), TOUCHING), look: first.look }
  })
}

function planesInWorld(project: Project, outcomes: readonly PatternOutcome[]): Plane[] {
  return project.patterns.flatMap(({ hidden, place }, i) => {
    const q = fromTurns(place.turn)
    return (hidden ? [] : (outcomes[i].mirrors?.planes ?? [])).map((plane) => {
      const normal = rotate(q, plane.normal)
      return { normal, distance: plane.distance + dot(normal, place.move) }
    })
  })
}

function touchingCopies(
  project: Project,
  outcomes: readonly PatternOutcome[],
  source: PartSource,
  planes: readonly Plane[],
): Standing[] {
  const found: Standing[] = []
  for (const [pattern, { hidden, place }] of project.patterns.entries()) {
    if (hidden) continue
    const { expanded, frames } = outcomes[pattern]
    const turn = fromTurns(place.turn)
    for (let row = 0; row < expanded.count; row++) {
      const guise = guiseOf(guiseNumber(expanded, row), frames)
      const part = project.parts[guise.part]
      if (!expanded.isPresent(row) || part.shape.kind === 'light' || part.shape.kind === 'placeholder') continue
      const own = writtenMesh(part, source, guise)
      if (!own) continue
      const mesh = placedInWorld(own, expanded, row, turn, place.move)
      const onPlane = new Map<number, Set<number>>()
      for (const [i, plane] of planes.entries()) {
        const faces = facesOn(mesh, plane)
        if (faces.size > 0) onPlane.set(i, faces)
      }
      if (onPlane.size > 0) found.push({ pattern, row, mesh, onPlane })
    }
  }
  return found
}

function placedInWorld(mesh: Mesh, table: InstanceTable, k: number, turn: Quaternion, move: Readonly<Vec3>): Mesh {
  const { scale: s } = table
  const whole = compose(turn, table.turnOf(k))
  const at = rotate(turn, table.moveOf(k)).map((n, i) => n + move[i])
  const positions = new Float32Array(mesh.positions.length)
  const normals = new Float32Array(mesh.normals.length)
  for (let i = 0; i < positions.length; i += 3) {
    const sized = [0, 1, 2].map((c) => mesh.positions[i + c] * s[3 * k + c]) as Vec3
    const leaning = [0, 1, 2].map((c) => mesh.normals[i + c] / s[3 * k + c]) as Vec3
    const length = Math.hypot(...leaning) || 1
    positions.set(
      rotate(whole, sized).map((n, c) => n + at[c]),
      i,
    )
    normals.set(rotate(whole, leaning.map((n) => n / length) as Vec3), i)
  }
  return { ...mesh, positions, normals }
}

function brought(mesh: Mesh, turn: Quaternion, move: Readonly<Vec3>): Mesh {
  const positions = new Float32Array(mesh.positions.length)
  const normals = new Float32Array(mesh.normals.length)
  for (let i = 0; i < positions.length; i += 3) {
    positions.set(rotate(turn, [0, 1, 2].map((c) => mesh.positions[i + c] - move[c]) as Vec3), i)
    normals.set(rotate(turn, [mesh.normals[i], mesh.normals[i + 1], mesh.normals[i + 2]]), i)
  }
  return { ...mesh, positions, normals }
}

/** The triangles that lie on a plane, by their first corners. */
function facesOn({ positions: p, indices }: Mesh, { normal, distance }: Plane): Set<number> {
  const on = new Set<number>()
  // Rounding to 32 bits grows with the distance from the origin.
  const near = (v: number): boolean => {
    const at = p.subarray(3 * v, 3 * v + 3)
    return Math.abs(dot(at, normal) - distance) <= TOUCHING + 2 ** -22 * Math.hypot(at[0], at[1], at[2])
  }
  for (let t = 0; t < indices.length; t += 3)
    if (near(indices[t]) && near(indices[t + 1]) && near(indices[t + 2])) on.add(t)
  return on
}

/** Copies that belong together: those whose faces on a plane cover each other from both sides, and those joined with them. */
function grouped(standing: readonly Standing[], planes: readonly Plane[]): Standing[][] {
  const leader = standing.map((_, i) => i)
  const find = (i: number): number => (leader[i] === i ? i : (leader[i] = find(leader[i])))
  const joined = new Set<string>()
  for (const [plane, { normal }] of planes.entries()) {
    const sides = standing.flatMap(({ mesh, onPlane }, i) => {
      const faces = onPlane.get(plane)
      return faces ? [{ i, ...patchOf(mesh, faces, normal) }] : []
    })
    for (const a of sides.filter((side) => side.area > 0)) {
      const b = sides.find(
        (other) =>
          other.area < 0 &&
          Math.abs(a.area + other.area) < 1e-4 * a.area &&
          Math.hypot(...a.centre.map((n, c) => n - other.centre[c])) < 1e-5 + 1e-4 * Math.sqrt(a.area),
      )
      if (!b) continue
      leader[find(a.i)] = find(b.i)
      joined.add(`${a.i} ${plane}`).add(`${b.i} ${plane}`)
    }
  }
  const groups = new Map<number, Standing[]>()
  for (const [i, copy] of standing.entries()) {
    // Only faces that were met by others are taken out.
    const met = new Map([...copy.onPlane].filter(([plane]) => joined.has(`${i} ${plane}`)))
    if (met.size === 0) continue
    const list = groups.get(find(i)) ?? []
    groups.set(find(i), list)
    list.push({ ...copy, onPlane: met })
  }
  return [...groups.values()].filter((list) => list.length > 1)
}

/** The area of faces on a plane, above 0 where they look along its normal, and their middle. */
function patchOf({ positions: p, indices }: Mesh, faces: ReadonlySet<number>, normal: Vec3) {
  let area = 0
  const centre: Vec3 = [0, 0, 0]
  for (const t of faces) {
    const [a, b, c] = [3 * indices[t], 3 * indices[t + 1], 3 * indices[t + 2]]
    const u = [0, 1, 2].map((k) => p[b + k] - p[a + k])
    const v = [0, 1, 2].map((k) => p[c + k] - p[a + k])
    const own = dot([u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]], normal) / 2
    area += own
    for (let k = 0; k < 3; k++) centre[k] += (own * (p[a + k] + p[b + k] + p[c + k])) / 3
  }
  return { area, centre: centre.map((n) => n / area) as Vec3 }
}

function without(mesh: Mesh, faces: ReadonlySet<number>): Mesh {
  const indices: number[] = []
  const sections = mesh.sections.map((section) => {
    const start = indices.length
    for (let t = section.start; t < section.start + section.count; t += 3)
      if (!faces.has(t)) indices.push(mesh.indices[t], mesh.indices[t + 1], mesh.indices[t + 2])
    return { ...section, start, count: indices.length - start }
  })
  return { ...mesh, indices: Uint32Array.from(indices), sections: sections.filter((s) => s.count > 0) }
}
