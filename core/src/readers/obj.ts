import type { FileUnit } from '../model/part'
import type { Section } from '../geometry/mesh'
import { type Result, refused } from '../words'
import { MAX_CORNERS, triangulate } from './polygon'
import { finishMesh, MAX_TRIANGLES, type ReadMesh, tooManyTriangles } from './readMesh'
import { textOf } from './text'

/**
 * Reads a Wavefront OBJ as one part: polygons of any size, normals and picture coordinates, negative indices, a section
 * for each material name. Materials themselves lie in another file and are not read.
 */
export function readObj(bytes: Uint8Array, name: string, unit?: FileUnit): Result<ReadMesh> {
  const reader = new ObjReader()
  const lines = textOf(bytes)
    .replace(/\\\r?\n/g, ' ')
    .split(/\r?\n/)
  for (const [i, line] of lines.entries()) {
    const fault = reader.line(line)
    if (fault) return refused(`${name} is damaged in line `, { count: i + 1 }, `: ${fault}.`)
    if (reader.triangles > MAX_TRIANGLES) return tooManyTriangles(name, reader.triangles)
  }
  return finishMesh(reader.finish(), name, unit)
}

class ObjReader {
  private readonly points: number[] = []
  private readonly pointNormals: number[] = []
  private readonly pointUvs: number[] = []
  private readonly known = new Map<string, number>()
  private readonly positions: number[] = []
  private readonly normals: number[] = []
  private readonly uvs: number[] = []
  private readonly colors: number[] = []
  /** Colours after the places of vertices, as many programs write them: from 0 to 1. */
  private readonly pointColors: number[] = []
  private readonly indices: number[] = []
  private readonly starts: number[] = []
  private material = ''
  private lastMaterial: string | undefined

  get triangles(): number {
    return this.indices.length / 3
  }

  /** Takes one line; says what is wrong with it. */
  line(line: string): string | undefined {
    const [word, ...rest] = line.trim().split(/\s+/)
    if (word === 'v') {
      if (rest.length >= 6) this.pointColors.push(...rest.slice(3, 6).map(numberOf))
      return this.numbers(rest, 3, this.points)
    }
    if (word === 'vn') return this.numbers(rest, 3, this.pointNormals)
    if (word === 'vt') return this.numbers(rest.length === 1 ? [rest[0], '0'] : rest, 2, this.pointUvs)
    if (word === 'usemtl') this.material = rest.join(' ')
    if (word === 'f' || word === 'fo') return this.face(rest)
    return undefined
  }

  private numbers(words: string[], count: number, out: number[]): string | undefined {
    const values = words.slice(0, count).map(numberOf)
    if (values.length < count || !values.every(Number.isFinite)) return 'a number is missing or cannot be read'
    out.push(...values)
    return undefined
  }

  private face(words: string[]): string | undefined {
    if (words.length < 3) return 'a face has fewer than three corners'
    if (words.length > MAX_CORNERS) return `a face has more than ${MAX_CORNERS} corners`
    const corners: number[] = []
    for (const word of words) {
      const corner = this.corner(word)
      if (corner === undefined) return `“${word.slice(0, 20)}” names a corner that is not there`
      corners.push(corner)
    }
    if (this.lastMaterial !== this.material) {
      this.lastMaterial = this.material
      this.starts.push(this.indices.length)
    }
    const places = corners.flatMap((v) => this.positions.slice(3 * v, 3 * v + 3))
    for (const k of triangulate(places)) this.indices.push(corners[k])
    return undefined
  }

  private corner(word: string): number | undefined {
    const known = this.known.get(word)
    // Negative indices count from the end, which moves: only absolute ones may be remembered.
    if (known !== undefined) return known
    const [v, t, n] = word.split('/')
    const point = pick(v, this.points.length / 3)
    if (point === undefined) return undefined
    const uv = t ? pick(t, this.pointUvs.length / 2) : undefined
    const normal = n ? pick(n, this.pointNormals.length / 3) : undefined
    if ((t && uv === undefined) || (n && normal === undefined)) return undefined
    const index = this.positions.length / 3
    this.positions.push(...this.points.slice(3 * point, 3 * point + 3))
    this.normals.push(...(normal === undefined ? [0, 0, 0] : this.pointNormals.slice(3 * normal, 3 * normal + 3)))
    this.uvs.push(...(uv === undefined ? [0, 0] : [this.pointUvs[2 * uv], 1 - this.pointUvs[2 * uv + 1]]))
    for (const n of this.pointColors.slice(3 * point, 3 * point + 3))
      this.colors.push(Math.round(255 * Math.min(1, Math.max(0, n || 0))))
    if (!word.includes('-')) this.known.set(word, index)
    return index
  }

  finish() {
    const ends = [...this.starts.slice(1), this.indices.length]
    const sections: Section[] = this.starts
      .map((start, i) => ({ start, count: ends[i] - start }))
      .filter((s) => s.count > 0)
    return {
      positions: new Float32Array(this.positions),
      normals: new Float32Array(this.normals),
      ...(this.pointUvs.length > 0 && { uvs: new Float32Array(this.uvs) }),
      // Only where all have one: a list with holes fits no vertices.
      ...(this.pointColors.length > 0 &&
        this.pointColors.length === this.points.length && { colors: new Uint8Array(this.colors) }),
      indices: new Uint32Array(this.indices),
      sections,
    }
  }
}

/** A number, of whose ending what is none is left out, as programs that write and read OBJ files do. */
const numberOf = (word: string): number => {
  const whole = Number(word)
  return Number.isNaN(whole) ? parseFloat(word) : whole
}

/** A one-based or negative index as a place in a list of so many, or undefined when it is not in it. */
function pick(word: string, count: number): number | undefined {
  const n = Number(word)
  if (!Number.isInteger(n)) return undefined
  const at = n < 0 ? count + n : n - 1
  return at >= 0 && at < count ? at : undefined
}
