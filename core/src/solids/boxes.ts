import { type Mesh, MeshBuilder } from '../geometry/mesh'

// Each face as its outward axis, with the two axes along its width and height so that u × v looks outward.
const faces = [
  { axis: 0, sign: 1, u: 2, v: 1, mirror: -1 },
  { axis: 0, sign: -1, u: 2, v: 1, mirror: 1 },
  { axis: 1, sign: 1, u: 0, v: 2, mirror: -1 },
  { axis: 1, sign: -1, u: 0, v: 2, mirror: 1 },
  { axis: 2, sign: 1, u: 0, v: 1, mirror: 1 },
  { axis: 2, sign: -1, u: 0, v: 1, mirror: -1 },
] as const

/**
 * A box that stands on its base, its edges rounded by a radius (0 for sharp ones). The radius is held to half of the
 * shortest side. Rounded edges and corners are parts of cylinders and spheres in so many steps all the way round, an even number
 * a quarter.
 */
export function boxMesh(width: number, height: number, depth: number, radius = 0, round = 16): Mesh {
  const half = [width / 2, height / 2, depth / 2]
  const r = Math.min(radius, ...half)
  const steps = r > 0 ? Math.max(1, Math.round(round / 8)) : 0
  // From one edge of a face to the other: the side it belongs to and how far the surface leans towards that side.
  const lean: { side: number; tan: number }[] = []
  for (let i = steps; i >= 0; i--) lean.push({ side: -1, tan: steps ? -Math.tan((Math.PI / 4) * (i / steps)) : 0 })
  for (let i = 0; i <= steps; i++) lean.push({ side: 1, tan: steps ? Math.tan((Math.PI / 4) * (i / steps)) : 0 })

  const mesh = new MeshBuilder()
  for (const { axis, sign, u, v, mirror } of faces) {
    const rows = lean.map((b) =>
      lean.map((a) => {
        const normal = [0, 0, 0]
        normal[axis] = sign
        normal[u] = a.tan * mirror
        normal[v] = b.tan
        const length = Math.hypot(...normal)
        const n = normal.map((c) => c / length)
        const sides = [0, 0, 0]
        sides[axis] = sign
        sides[u] = a.side * mirror
        sides[v] = b.side
        const p = n.map((c, i) => sides[i] * (half[i] - r) + r * c)
        return mesh.vertex(p[0], p[1] + half[1], p[2], n[0], n[1], n[2])
      }),
    )
    for (let j = 0; j + 1 < rows.length; j++) {
      for (let i = 0; i + 1 < rows.length; i++) {
        const [a, b, c, d] = [rows[j][i], rows[j][i + 1], rows[j + 1][i + 1], rows[j + 1][i]]
        // Corners are not flat: cut as mirror images of each other, they leave the box as symmetric as it is.
        if (i < steps === j < steps) mesh.quad(a, b, c, d)
        else mesh.quad(b, c, d, a)
      }
    }
  }
  return mesh.build()
}
