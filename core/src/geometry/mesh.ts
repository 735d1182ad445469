/**
 * Triangles of a part, in metres about its pivot: three floats a vertex, outward unit normals, counter-clockwise faces.
 * A section is a run of indices with a look of its own; without a colour it takes the part's.
 */
export interface Mesh {
  readonly positions: Float32Array
  readonly normals: Float32Array
  readonly indices: Uint32Array
  readonly sections: readonly Section[]
  /** Two floats a vertex, from the picture's top left corner; only where a section carries a picture. */
  readonly uvs?: Float32Array
  readonly pictures?: readonly MeshPicture[]
  /** Three bytes a vertex, red, green and blue as seen (sRGB); only where its file carries them. They tint what they lie on. */
  readonly colors?: Uint8Array
}

/** A picture on a surface, as its file stands. */
export interface MeshPicture {
  readonly mime: string
  readonly bytes: Uint8Array
}

export interface Section {
  readonly start: number
  readonly count: number
  readonly color?: string
  readonly roughness?: number
  readonly metal?: number
  /** Counts into the mesh's pictures; the colour tints it. */
  readonly picture?: number
}

/** Whether two arrays hold the same numbers. */
export function sameNumbers(a: ArrayLike<number>, b: ArrayLike<number>): boolean {
  if (a.length !== b.length) return false
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false
  return true
}

export const triangleCount = (mesh: Mesh): number => mesh.indices.length / 3

/**
 * The volume that a closed mesh encloses, in cubic metres, by the divergence theorem: a sixth of the sum of
 * a · (b × c) over its triangles (Zhang & Chen 2001). Positive where faces look outward.
 */
export function volumeOf({ positions: p, indices }: Mesh): number {
  let six = 0
  for (let t = 0; t < indices.length; t += 3) {
    const [a, b, c] = [3 * indices[t], 3 * indices[t + 1], 3 * indices[t + 2]]
    six +=
      p[a] * (p[b + 1] * p[c + 2] - p[b + 2] * p[c + 1]) +
      p[a + 1] * (p[b + 2] * p[c] - p[b] * p[c + 2]) +
      p[a + 2] * (p[b] * p[c + 1] - p[b + 1] * p[c])
  }
  return six / 6
}

/** By how much colours of vertices may differ, of 255: files round them. */
const TINT = 2

/** Whether two vertices are of one colour; one without is white, which tints nothing. */
export function sameColor(a: Uint8Array | undefined, v: number, b: Uint8Array | undefined, w: number): boolean {
  for (let i = 0; i < 3; i++) if (Math.abs((a ? a[3 * v + i] : 255) - (b ? b[3 * w + i] : 255)) > TINT) return false
  return true
}

/** What some vertices of a mesh carry, in the order in which they are given. */
export function verticesOf(
  { positions, normals, uvs, colors }: Mesh,
  kept: ArrayLike<number>,
): Pick<Mesh, 'positions' | 'normals' | 'uvs' | 'colors'> {
  const { length } = kept
  const pick = <T extends Float32Array | Uint8Array>(values: T, out: T, width: number): T => {
    for (let at = 0; at < length; at++)
      for (let i = 0; i < width; i++) out[width * at + i] = values[width * kept[at] + i]
    return out
  }
  return {
    positions: pick(positions, new Float32Array(3 * length), 3),
    normals: pick(normals, new Float32Array(3 * length), 3),
    ...(uvs && { uvs: pick(uvs, new Float32Array(2 * length), 2) }),
    ...(colors && { colors: pick(colors, new Uint8Array(3 * length), 3) }),
  }
}

/** Gathers vertices and triangles; sections follow the colour that is set when a triangle is added. */
export class MeshBuilder {
  private readonly positions: number[] = []
  private readonly normals: number[] = []
  private readonly indices: number[] = []
  private readonly sections: { start: number; count: number; color?: string }[] = []

  vertex(x: number, y: number, z: number, nx: number, ny: number, nz: number): number {
    this.positions.push(x, y, z)
    this.normals.push(nx, ny, nz)
    return this.positions.length / 3 - 1
  }

  placeOf(vertex: number): readonly [number, number, number] {
    const { positions: p } = this
    return [p[3 * vertex], p[3 * vertex + 1], p[3 * vertex + 2]]
  }

  /** Begins a section; sections of one colour that follow each other become one. */
  section(color?: string): void {
    const last = this.sections.at(-1)
    if (last && last.color === color) return
    this.sections.push({ start: this.indices.length, count: 0, ...(color && { color }) })
  }

  triangle(a: number, b: number, c: number): void {
    if (this.sections.length === 0) this.section()
    this.indices.push(a, b, c)
    this.sections[this.sections.length - 1].count += 3
  }

  /** Two triangles, corners counter-clockwise seen from outside. */
  quad(a: number, b: number, c: number, d: number): void {
    this.triangle(a, b, c)
    this.triangle(a, c, d)
  }

  build(): Mesh {
    return {
      positions: new Float32Array(this.positions),
      normals: new Float32Array(this.normals),
      indices: new Uint32Array(this.indices),
      sections: this.sections.filter((s) => s.count > 0),
    }
  }
}
