import type { Form, Solid, SolidKind } from './schema'
import { boxMesh } from './boxes'
import { extrusionMesh } from './extrusion'
import { formed } from './form'
import { type Mesh, MeshBuilder } from '../geometry/mesh'
import { type ProfilePoint, revolve } from './revolve'
import { tubeMesh } from './tube'

type Builders = { [K in SolidKind]: (solid: Extract<Solid, { kind: K }>, sides?: number) => Mesh }

const builders: Builders = {
  box: (s) => boxMesh(s.width, s.height, s.depth),
  roundedBox: (s, sides) => boxMesh(s.width, s.height, s.depth, s.radius, sides),
  cylinder: (s, sides) => revolve(frustum(s.width / 2, s.width / 2, s.height), { sides }),
  cone: (s, sides) => revolve(frustum(s.width / 2, s.top / 2, s.height), { sides }),
  sphere: (s, sides) => revolve(arc(0, s.width / 2, s.width / 2, halfOf(sides), -Math.PI / 2, Math.PI / 2), { sides }),
  capsule: ({ width, height }, sides) => {
    const r = Math.min(width, height) / 2
    return revolve(
      [...arc(0, r, r, 12, -Math.PI / 2, 0), ...arc(0, height - r, r, 12, 0, Math.PI / 2)].map((p) => ({
        ...p,
        radius: (p.radius * width) / (2 * r),
      })),
      { sides },
    )
  },
  torus: (s, sides) =>
    revolve(
      arc((s.width - s.thickness) / 2, s.thickness / 2, s.thickness / 2, 24, -Math.PI / 2, 1.5 * Math.PI).slice(0, -1),
      { closed: true, sides },
    ),
  plane: ({ width, depth }) => planeMesh(width / 2, depth / 2),
  lathe: (s, sides) => revolve(s.profile, { sides }),
  tube: ({ curve, thickness }, sides) => tubeMesh(curve, thickness, sides),
  extrusion: ({ curve, depth }) => extrusionMesh(curve, depth),
}

/** The triangles of a solid, standing on its base about the centre of its footprint, bent out of its plain form if so asked. */
export const buildSolid = <K extends SolidKind>(solid: Extract<Solid, { kind: K }>, form: Form = {}): Mesh =>
  formed(builders[solid.kind as K](solid, form.segments), form)

/** As fine from pole to pole as all the way round. */
const halfOf = (sides = 48): number => Math.max(2, Math.round(sides / 2))

/** A leaf without thickness, seen from above and from below. */
function planeMesh(x: number, z: number): Mesh {
  const mesh = new MeshBuilder()
  for (const up of [1, -1]) {
    const corner = (cx: number, cz: number): number => mesh.vertex(cx, 0, cz, 0, up, 0)
    const [a, b, c, d] = [corner(-x, z), corner(x, z), corner(x, -z), corner(-x, -z)]
    if (up > 0) mesh.quad(a, b, c, d)
    else mesh.quad(a, d, c, b)
  }
  return mesh.build()
}

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
