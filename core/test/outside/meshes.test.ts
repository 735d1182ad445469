import bunny from 'bunny'
import type { BufferAttribute } from 'three'
import { TeapotGeometry } from 'three/addons/geometries/TeapotGeometry.js'
import { describe, expect, it } from 'vitest'
import type { Vec3 } from '../../src/values/values'
import { type Quaternion, rotate } from '../../src/geometry/rotation'
import { cloudOf } from '../../src/shapes/cloud'
import { fitTurn } from '../../src/shapes/fit'
import { foldDefaults, foldShapes } from '../../src/shapes/fold'
import type { Similarity } from '../../src/geometry/similarity'
import { boxMesh } from '../../src/solids/boxes'
import { buildSolid } from '../../src/solids/build'
import { type Mesh, volumeOf } from '../../src/geometry/mesh'
import { revolve } from '../../src/solids/revolve'
import { bakedMesh, meshFrom, minimalStandard, shuffledMesh } from '../shapes'

/** The Stanford bunny, reduced (npm bunny 1.0.1, public domain): 1 839 vertices, 3 674 triangles. */
const theBunny: Mesh = {
  positions: new Float32Array(bunny.positions.flat()),
  normals: new Float32Array(3 * bunny.positions.length).map((_, i) => (i % 3 === 1 ? 1 : 0)),
  indices: new Uint32Array(bunny.cells.flat()),
  sections: [{ start: 0, count: 3 * bunny.cells.length }],
}

/** The Utah teapot (three 0.187, TeapotGeometry(1, 10)): 3 872 vertices, open at its seams. */
function teapot(): Mesh {
  const geometry = new TeapotGeometry(1, 10)
  const array = (name: string): Float32Array => (geometry.getAttribute(name) as BufferAttribute).array as Float32Array
  const indices = Uint32Array.from(geometry.getIndex()!.array)
  return {
    positions: array('position'),
    normals: array('normal'),
    indices,
    sections: [{ start: 0, count: indices.length }],
  }
}

/** Diagonal of the box about a mesh. */
function diagonal({ positions }: Mesh): number {
  const low = [Infinity, Infinity, Infinity]
  const high = [-Infinity, -Infinity, -Infinity]
  positions.forEach((p, i) => {
    low[i % 3] = Math.min(low[i % 3], p)
    high[i % 3] = Math.max(high[i % 3], p)
  })
  return Math.hypot(...high.map((h, k) => h - low[k]))
}

describe('volumes by the divergence theorem', () => {
  const golden = (1 + Math.sqrt(5)) / 2
  // Corners on the unit sphere; faces as the convex hull, found by trying all triples: the solids are small.
  const hull = (corners: readonly Vec3[]): Mesh => {
    const faces: number[][] = []
    for (let a = 0; a < corners.length; a++)
      for (let b = 0; b < corners.length; b++)
        for (let c = 0; c < corners.length; c++) {
          if (a === b || b === c || a === c || a > b || a > c) continue
          const [p, q, r] = [corners[a], corners[b], corners[c]]
          const u = q.map((n, i) => n - p[i])
          const v = r.map((n, i) => n - p[i])
          const n = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]]
          if (corners.every((x) => x.reduce((sum, y, i) => sum + n[i] * (y - p[i]), 0) < 1e-9)) faces.push([a, b, c])
        }
    return meshFrom(corners, faces)
  }
  const onSphere = (list: Vec3[]): Vec3[] => list.map((v) => v.map((n) => n / Math.hypot(...v)) as Vec3)
  const signs = [1, -1]

  it('M1: box 24, tetrahedron 8√3/27, octahedron 4/3, icosahedron 2.53615071 (Zhang & Chen 2001; value from memory)', () => {
    expect(volumeOf(boxMesh(2, 3, 4))).toBeCloseTo(24, 5)
    const tetra = onSphere([
      [1, 1, 1],
      [1, -1, -1],
      [-1, 1, -1],
      [-1, -1, 1],
    ])
    expect(volumeOf(hull(tetra))).toBeCloseTo((8 * Math.sqrt(3)) / 27, 6)
    const octa: Vec3[] = [
      [1, 0, 0],
      [-1, 0, 0],
      [0, 1, 0],
      [0, -1, 0],
      [0, 0, 1],
      [0, 0, -1],
    ]
    expect(volumeOf(hull(octa))).toBeCloseTo(4 / 3, 6)
    const icosa = onSphere(
      signs.flatMap((a) =>
        signs.flatMap((b): Vec3[] => [
          [0, a, b * golden],
          [a, b * golden, 0],
          [b * golden, 0, a],
        ]),
      ),
    )
    expect(volumeOf(hull(icosa))).toBeCloseTo(2.53615071, 6)
  })

  it('M2: faceted solids of revolution, V = m·sin(2π/m)·A·R (derived)', () => {
    const section = Array.from({ length: 48 }, (_, i) => {
      const angle = -Math.PI / 2 + (2 * Math.PI * i) / 48
      return { radius: 3 + Math.cos(angle), height: Math.sin(angle) }
    })
    // 96 round the axis, 48 round the section.
    expect(volumeOf(revolve(section, { closed: true, sides: 96 }))).toBeCloseTo(59.00650964, 4)
    expect(volumeOf(buildSolid({ kind: 'cylinder', width: 2, height: 2 }, { segments: 32 }))).toBeCloseTo(6.2428903, 5)
    expect(volumeOf(buildSolid({ kind: 'cone', width: 2, top: 0, height: 3 }, { segments: 32 }))).toBeCloseTo(
      3.12144515,
      5,
    )
  })

  it('M4: welded, V − E + F is 2 for a box and 0 for a torus (Euler 1758)', () => {
    const euler = (mesh: Mesh): number => {
      const { count, pointOf } = cloudOf(mesh)
      const edges = new Set<string>()
      let faces = 0
      for (let t = 0; t < mesh.indices.length; t += 3) {
        const c = [0, 1, 2].map((i) => pointOf[mesh.indices[t + i]])
        if (new Set(c).size < 3) continue
        faces++
        for (let i = 0; i < 3; i++) edges.add([c[i], c[(i + 1) % 3]].sort((x, y) => x - y).join())
      }
      return count - edges.size + faces
    }
    expect(euler(boxMesh(2, 3, 4))).toBe(2)
    expect(euler(buildSolid({ kind: 'torus', width: 8, thickness: 2 }))).toBe(0)
    expect(euler(theBunny)).toBe(2)
  })

  it('M5: the bunny holds 194.28837, and so does its mirror image (agreed by four programs)', () => {
    expect(volumeOf(theBunny)).toBeCloseTo(194.28837, 3)
    expect(volumeOf(bakedMesh(theBunny, { move: [0, 0, 0], turn: [0, 0, 0, 1], size: 1, mirrored: true }))).toBeCloseTo(
      194.28837,
      3,
    )
  })
})

describe('congruence', () => {
  const centred = (p: Float32Array): Float64Array => {
    const middle = [0, 0, 0]
    p.forEach((n, i) => (middle[i % 3] += (3 * n) / p.length))
    return Float64Array.from(p, (n, i) => n - middle[i % 3])
  }
  const rms = (a: Float64Array, b: Float64Array, { turn, size }: { turn: Quaternion; size: number }): number => {
    let sum = 0
    for (let i = 0; i < a.length; i += 3) {
      const p = rotate(turn, [size * a[i], size * a[i + 1], size * a[i + 2]])
      for (let k = 0; k < 3; k++) sum += (p[k] - b[i + k]) ** 2
    }
    return Math.sqrt((3 * sum) / a.length)
  }

  it('M6, M7: size and turn are found again (Horn 1987); mirrored at 1.37 no turn fits: RMS 4.25, size .910 (recomputed)', () => {
    const turn: Quaternion = [0.5, 0.5, 0.5, 0.5]
    const same = bakedMesh(theBunny, { move: [0, 0, 0], turn, size: 1.37, mirrored: false })
    const [a, b] = [centred(theBunny.positions), centred(same.positions)]
    const fit = fitTurn(a, b)
    expect(fit.size).toBeCloseTo(1.37, 6)
    expect(rms(a, b, fit)).toBeLessThan(1e-5)
    const mirrored = centred(bakedMesh(theBunny, { move: [0, 0, 0], turn, size: 1.37, mirrored: true }).positions)
    const best = fitTurn(a, mirrored)
    expect(best.size).toBeCloseTo(0.91, 3)
    expect(rms(a, mirrored, best)).toBeCloseTo(4.25, 2)
  })

  it('M7: one vertex off by a thousandth of the diagonal is no copy, though its mean is small: judged by the largest', () => {
    const off = { ...theBunny, positions: theBunny.positions.slice() }
    off.positions[300] += diagonal(theBunny) / 1000
    const item = (mesh: Mesh) => ({ name: 'bunny', mesh, scale: 1, kind: '', preference: 0 })
    const { groups, nearMisses } = foldShapes([item(theBunny), item(off)], { ...foldDefaults, tolerance: 0.002 })
    expect(groups).toHaveLength(2)
    expect(nearMisses[0].deviation).toBeGreaterThan(0.9 * (diagonal(theBunny) / 1000))
  })

  const within = (shape: Mesh, other: Mesh, { move, turn, size, mirrored }: Similarity): number => {
    // Vertices are looked for by a sorted coordinate: the order is another one.
    const placed: number[][] = []
    for (let i = 0; i < shape.positions.length; i += 3) {
      const [x, y, z] = shape.positions.subarray(i, i + 3)
      const p = rotate(turn, [(mirrored ? -x : x) * size[0], y * size[1], z * size[2]])
      placed.push(p.map((n, k) => n + move[k]))
    }
    placed.sort((a, b) => a[0] - b[0])
    let most = 0
    for (let i = 0; i < other.positions.length; i += 3) {
      const [x, y, z] = other.positions.subarray(i, i + 3)
      let [low, high] = [0, placed.length]
      while (low < high) {
        const middle = (low + high) >> 1
        if (placed[middle][0] < x - 1e-3) low = middle + 1
        else high = middle
      }
      let least = Infinity
      for (let n = low; n < placed.length && placed[n][0] < x + 1e-3; n++)
        least = Math.min(least, Math.hypot(placed[n][0] - x, placed[n][1] - y, placed[n][2] - z))
      most = Math.max(most, least)
    }
    return most
  }

  it.each([
    ['bunny', () => theBunny],
    ['teapot', teapot],
  ])(
    'M8, R6: 300 baked, shuffled, turned, sized, some mirrored copies of the %s are one part and its twin',
    (name, make) => {
      const mesh = make()
      const random = minimalStandard(name.length)
      const count = 300
      const mirrored: boolean[] = []
      const meshes = Array.from({ length: count }, (_, i) => {
        const q = [random() - 0.5, random() - 0.5, random() - 0.5, random() - 0.5]
        const n = Math.hypot(...q)
        mirrored.push(i > 0 && random() < 0.25)
        const placing = {
          move: [20 * random() - 10, 20 * random() - 10, 20 * random() - 10] as Vec3,
          turn: q.map((c) => c / n) as unknown as Quaternion,
          size: i === 0 ? 1 : 0.5 + 1.5 * random(),
          mirrored: mirrored[i],
        }
        return i === 0 ? mesh : shuffledMesh(bakedMesh(mesh, placing), i)
      })
      const items = meshes.map((m, i) => ({ name: `${i}`, mesh: m, scale: 1, kind: '', preference: i === 0 ? 1 : 0 }))
      const { groups } = foldShapes(items, { ...foldDefaults, tolerance: 0.0001 })
      expect(groups).toHaveLength(1)
      const { members } = groups[0]
      expect(members).toHaveLength(count - 1)
      for (const { item, similarity } of members) {
        // The teapot is its own mirror image, so a turn alone may do.
        if (name === 'bunny') expect(similarity.mirrored).toBe(mirrored[item])
        expect(similarity.deviation).toBeLessThan(0.0001)
      }
      for (const { item, similarity } of members.filter((_, i) => i % 20 === 0))
        expect(within(mesh, meshes[item], similarity)).toBeLessThan(0.0001)
    },
    120_000,
  )
})
