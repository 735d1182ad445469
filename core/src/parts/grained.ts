import { zlibSync } from 'fflate'
import { toGamma } from '../colors'
import type { Vec3 } from '../values/values'
import type { Mesh, MeshPicture, Section } from '../geometry/mesh'

/** Grain as it is exported: one stripe and the room beside it, repeated; light where the surface keeps its colour. */
const WIDE = 64
const TALL = 4
const DARK = 0.66

/** How light a surface is at a place between two stripes, from 0 to 1 across; the stage draws the same. */
function stripeAt(across: number): number {
  const from = Math.abs(across - Math.floor(across) - 0.5)
  const t = Math.min(1, Math.max(0, (from - 0.18) / 0.14))
  return DARK + (1 - DARK) * t * t * (3 - 2 * t)
}

/**
 * A mesh whose surfaces without a picture carry stripes as one: each triangle's coordinates run along and across the grain as
 * that triangle sees it. Vertices are shared where they agree.
 *
 * @param way along the stripes, of unit length; `ends` is across them where a face looks along the grain; width in metres
 */
export function grained(mesh: Mesh, { way, ends, width }: { way: Vec3; ends: Vec3; width: number }): Mesh {
  const { positions: p, normals: n, indices } = mesh
  const pictures = [...(mesh.pictures ?? []), stripes()]
  const positions: number[] = []
  const normals: number[] = []
  const uvs: number[] = []
  const out = new Uint32Array(indices.length)
  const known = new Map<string, number>()
  const corner = (v: number, u: number, w: number): number => {
    const key = `${v} ${u.toFixed(5)} ${w.toFixed(5)}`
    let at = known.get(key)
    if (at === undefined) {
      at = positions.length / 3
      known.set(key, at)
      for (let k = 0; k < 3; k++) positions.push(p[3 * v + k])
      for (let k = 0; k < 3; k++) normals.push(n[3 * v + k])
      uvs.push(u, w)
    }
    return at
  }
  const sections = mesh.sections.map((section): Section => {
    const bare = section.picture === undefined
    for (let t = section.start; t < section.start + section.count; t += 3) {
      const across = bare ? acrossOf(p, indices, t, way, ends) : undefined
      for (let i = 0; i < 3; i++) {
        const v = indices[t + i]
        const dot = (d: Vec3): number => (p[3 * v] * d[0] + p[3 * v + 1] * d[1] + p[3 * v + 2] * d[2]) / width
        out[t + i] = across
          ? corner(v, dot(across), dot(way))
          : corner(v, mesh.uvs?.[2 * v] ?? 0, mesh.uvs?.[2 * v + 1] ?? 0)
      }
    }
    return bare ? { ...section, picture: pictures.length - 1 } : section
  })
  return {
    positions: new Float32Array(positions),
    normals: new Float32Array(normals),
    uvs: new Float32Array(uvs),
    indices: out,
    sections,
    pictures,
  }
}

function acrossOf(p: Float32Array, indices: Uint32Array, t: number, way: Vec3, ends: Vec3): Vec3 {
  const [a, b, c] = [3 * indices[t], 3 * indices[t + 1], 3 * indices[t + 2]]
  const u = [p[b] - p[a], p[b + 1] - p[a + 1], p[b + 2] - p[a + 2]]
  const v = [p[c] - p[a], p[c + 1] - p[a + 1], p[c + 2] - p[a + 2]]
  const n = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]]
  const across = [n[1] * way[2] - n[2] * way[1], n[2] * way[0] - n[0] * way[2], n[0] * way[1] - n[1] * way[0]]
  const [size, area] = [Math.hypot(...across), Math.hypot(...n)]
  if (!(size > 0.2 * area)) return ends
  return [across[0] / size, across[1] / size, across[2] / size]
}

let drawn: MeshPicture | undefined
/** The stripes as a picture, grey: the colour of the look tints them. */
export function stripes(): MeshPicture {
  drawn ??= { mime: 'image/png', bytes: greyPng(WIDE, TALL, (x) => stripeAt((x + 0.5) / WIDE)) }
  return drawn
}

/** A grey PNG of 8 bits (ISO/IEC 15948); values are linear light from 0 to 1. */
function greyPng(width: number, height: number, value: (x: number) => number): Uint8Array {
  const rows = new Uint8Array(height * (width + 1))
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) rows[y * (width + 1) + 1 + x] = Math.round(255 * toGamma(value(x)))
  const header = new Uint8Array(13)
  const view = new DataView(header.buffer)
  view.setUint32(0, width)
  view.setUint32(4, height)
  header[8] = 8
  const chunks = [chunk('IHDR', header), chunk('IDAT', zlibSync(rows)), chunk('IEND', new Uint8Array())]
  const out = new Uint8Array(8 + chunks.reduce((n, c) => n + c.length, 0))
  out.set([137, 80, 78, 71, 13, 10, 26, 10])
  chunks.reduce((at, c) => (out.set(c, at), at + c.length), 8)
  return out
}

function chunk(name: string, data: Uint8Array): Uint8Array {
  const out = new Uint8Array(12 + data.length)
  const view = new DataView(out.buffer)
  view.setUint32(0, data.length)
  for (let i = 0; i < 4; i++) out[4 + i] = name.charCodeAt(i)
  out.set(data, 8)
  view.setUint32(8 + data.length, crc(out.subarray(4, 8 + data.length)))
  return out
}

/** Cyclic redundancy check of 32 bits, as PNG uses it. */
function crc(bytes: Uint8Array): number {
  let c = 0xffffffff
  for (const byte of bytes) {
    c ^= byte
    for (let i = 0; i < 8; i++) c = c & 1 ? (c >>> 1) ^ 0xedb88320 : c >>> 1
  }
  return ~c >>> 0
}
