import type { Solid, SolidKind } from '../model/part'
import { boxMesh } from './boxes'
import type { Mesh } from './mesh'
import { type ProfilePoint, revolve } from './revolve'

type Builders = { [K in SolidKind]: (solid: Extract<Solid, { kind: K }>) => Mesh }

const builders: Builders = {
  box: (s) => boxMesh(s.width, s.height, s.depth),
  roundedBox: (s) => boxMesh(s.width, s.height, s.depth, s.radius),
  cylinder: (s) => revolve(frustum(s.width / 2, s.width / 2, s.height)),
  cone: (s) => revolve(frustum(s.width / 2, s.top / 2, s.height)),
  sphere: (s) => revolve(arc(0, s.width / 2, s.width / 2, 24, -Math.PI / 2, Math.PI / 2)),
  torus: (s) =>
    revolve(
      arc((s.width - s.thickness) / 2, s.thickness / 2, s.thickness / 2, 24, -Math.PI / 2, 1.5 * Math.PI).slice(0, -1),
      { closed: true },
    ),
  lathe: (s) => revolve(s.profile),
}

/** The triangles of a solid, standing on its base about the centre of its footprint. */
export const buildSolid = <K extends SolidKind>(solid: Extract<Solid, { kind: K }>): Mesh =>
  builders[solid.kind as K](solid)

const frustum = (bottom: number, top: number, height: number): ProfilePoint[] => [
  { radius: 0, height: 0 },
  { radius: bottom, height: 0 },
  { radius: top, height },
  { radius: 0, height },
]

/** Points of a circle of radius r about a point at that distance from the axis and that height, ends exact. */
function arc(distance: number, height: number, r: number, steps: number, from: number, to: number): ProfilePoint[] {
  return Array.from({ length: steps + 1 }, (_, i) => {
    const angle = from + ((to - from) * i) / steps
    const radius = distance + r * Math.cos(angle)
    return { radius: Math.abs(radius) < 1e-12 * r ? 0 : radius, height: height + r * Math.sin(angle) }
  })
}
