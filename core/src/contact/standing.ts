import type { Bodies } from '../clearing/bodies'
import { type Level, type Surface, bothLevels } from '../grounds/surface'
import type { Vec3 } from '../values/values'
import { raiseToTouch } from './raise'

/** A surface that bends is looked at in so many pieces to a side at first. */
const PIECES = 6
/** Where more pieces are left, as along a crest on which a flat base rests, the likeliest so many are split, and the rest is walked to. */
const [MANY, LIKELIEST] = [12, 4]
const MOST_ROUNDS = 28
/** Triangles lie nearer to what they stand for than this part of a body's size before it is said to touch. */
const TRUE = 1e-9
const WAYS = Array.from({ length: 8 }, (_, n) => [Math.cos((n * Math.PI) / 4), Math.sin((n * Math.PI) / 4)] as const)

/** A surface as it stands in the world: moved, and turned about up. */
export class StandingSurface {
  private readonly cosine: number
  private readonly sine: number
  private readonly world = new Float64Array(9)

  constructor(
    private readonly surface: Surface,
    private readonly move: Readonly<Vec3> = [0, 0, 0],
    turn = 0,
  ) {
    this.cosine = Math.cos(turn)
    this.sine = Math.sin(turn)
  }

  /** The topmost place over one of the world: its height and its unit normal. */
  at(x: number, z: number, out: Float64Array): boolean {
    const { cosine: c, sine: s, move } = this
    const [dx, dz] = [x - move[0], z - move[2]]
    if (!this.surface.at(c * dx - s * dz, s * dx + c * dz, out)) return false
    out[0] += move[1]
    const [nx, nz] = [out[1], out[3]]
    out[1] = c * nx + s * nz
    out[3] = c * nz - s * nx
    return true
  }

  /** How far a body of the world has to be raised until its outline rests on it; −Infinity where it passes beside it. */
  raise(bodies: Bodies, k: number): number {
    const under = this.under(bodies, k)
    const low = reach(bodies, k, 0, -1, 0)[1]
    if (this.surface.bend > 0) return this.raiseOnBent(bodies, k, under, low)
    let best = -Infinity
    this.surface.triangles(under, (corners) => (best = Math.max(best, this.raiseOn(bodies, k, corners, low, best))))
    return best
  }

  private raiseOn(bodies: Bodies, k: number, corners: Float64Array, low: number, best: number, isFine = true): number {
    const t = this.inWorld(corners)
    const most = Math.max(t[1], t[4], t[7]) - low
    if (most <= best) return -Infinity
    // From far enough above to be free of it wherever it is.
    return raiseToTouch(bodies, k, t, most + bodies.radius[k], isFine)
  }

  /** By pieces that get smaller where it may rest, until the triangles over them are the surface. */
  private raiseOnBent(bodies: Bodies, k: number, under: Level, low: number): number {
    const all = bothLevels(under, this.surface.extent)
    if (!all) return -Infinity
    const exact = TRUE * bodies.radius[k]
    let pieces = split(all, PIECES)
    let best = { at: -Infinity, piece: all }
    /** How wide pieces were when some of them were let go. */
    let wide = 0
    for (let round = 0; round < MOST_ROUNDS && pieces.length > 0; round++) {
      const found = pieces.map((piece) => {
        let at = -Infinity
        this.surface.triangles(
          piece,
          (corners) => (at = Math.max(at, this.raiseOn(bodies, k, corners, low, at, false))),
        )
        const [width, depth] = [piece.highX - piece.lowX, piece.highZ - piece.lowZ]
        // A chord of a triangle leaves its surface by no more than half the bend by its circumradius squared (Waldron 1998).
        return { piece, at, off: (this.surface.bend * (width * width + depth * depth)) / 8 }
      })
      const sure = found.reduce((most, { at, off }) => Math.max(most, at - off), -Infinity)
      best = found.reduce((most, one) => (one.at > most.at ? one : most))
      if (best.at === -Infinity || found[0].off <= exact) break
      let left = found.filter(({ at, off }) => at + off >= sure).sort((a, b) => b.at - a.at)
      if (left.length > MANY) {
        wide ||= Math.hypot(best.piece.highX - best.piece.lowX, best.piece.highZ - best.piece.lowZ)
        left = left.slice(0, LIKELIEST)
      }
      pieces = left.flatMap(({ piece }) => split(piece, 2))
    }
    if (wide > 0 && best.at > -Infinity) return this.walked(bodies, k, best, low, wide)
    let fine = -Infinity
    this.surface.triangles(
      best.piece,
      (corners) => (fine = Math.max(fine, this.raiseOn(bodies, k, corners, low, fine))),
    )
    return best.at === -Infinity ? best.at : fine
  }

  /** From where a body was found to rest to wherever near it would rest higher: steps that get smaller where none leads on. */
  private walked(
    bodies: Bodies,
    k: number,
    { at, piece }: { readonly at: number; readonly piece: Level },
    low: number,
    wide: number,
  ): number {
    let [x, z] = [(piece.lowX + piece.highX) / 2, (piece.lowZ + piece.highZ) / 2]
    let best = at
    const over = (px: number, pz: number): number => {
      let found = -Infinity
      const point = { lowX: px, highX: px, lowZ: pz, highZ: pz }
      this.surface.triangles(
        point,
        (corners) => (found = Math.max(found, this.raiseOn(bodies, k, corners, low, -Infinity, false))),
      )
      return found
    }
    const least = 1e-8 * wide
    for (let step = wide; step > least; step /= 2)
      for (const [dx, dz] of WAYS) {
        const found = over(x + step * dx, z + step * dz)
        if (found <= best) continue
        ;[x, z, best] = [x + step * dx, z + step * dz, found]
      }
    return best
  }

  /** The rectangle under a body, in the surface's own axes. */
  private under(bodies: Bodies, k: number): Level {
    const { cosine: c, sine: s, move } = this
    const own = (x: number, z: number): number => {
      const [px, , pz] = reach(bodies, k, c * x + s * z, 0, c * z - s * x)
      const [dx, dz] = [px - move[0], pz - move[2]]
      return x * (c * dx - s * dz) + z * (s * dx + c * dz)
    }
    return { lowX: -own(-1, 0), highX: own(1, 0), lowZ: -own(0, -1), highZ: own(0, 1) }
  }

  private inWorld(corners: Float64Array): Float64Array {
    const { cosine: c, sine: s, move, world } = this
    for (let i = 0; i < 9; i += 3) {
      world[i] = c * corners[i] + s * corners[i + 2] + move[0]
      world[i + 1] = corners[i + 1] + move[1]
      world[i + 2] = c * corners[i + 2] - s * corners[i] + move[2]
    }
    return world
  }
}

const farthest = new Float64Array(3)
function reach(bodies: Bodies, k: number, x: number, y: number, z: number): Float64Array {
  bodies.support(k, x, y, z, farthest, 0)
  return farthest
}

function split({ lowX, highX, lowZ, highZ }: Level, parts: number): Level[] {
  const [width, depth] = [(highX - lowX) / parts, (highZ - lowZ) / parts]
  return Array.from({ length: parts * parts }, (_, n) => {
    const [i, j] = [n % parts, Math.floor(n / parts)]
    return {
      lowX: lowX + i * width,
      highX: lowX + (i + 1) * width,
      lowZ: lowZ + j * depth,
      highZ: lowZ + (j + 1) * depth,
    }
  })
}
