import type { InstanceTable } from '../instances'
import type { Vec3 } from '../values/values'
import { type Isometry, carried } from '../geometry/isometry'

/**
 * How a copy's surface is: how grain and pictures lie in its own axes, turned, and mirrored, from how they lie on the part; and
 * its colour, where that is not the part's.
 */
export interface SurfaceFrame extends Omit<Isometry, 'move'> {
  readonly color?: string | undefined
}

/** As on the part, and as on its mirror image. */
export const ownFrame = (twin: boolean): SurfaceFrame => ({ turn: [0, 0, 0, 1], mirrored: twin })

/** What tells surface frames apart, so that one drawing serves all copies that have the same. */
export function keyOfFrame({ turn, mirrored, color }: SurfaceFrame): string {
  const most = turn.reduce((at, n, i) => (Math.abs(n) > Math.abs(turn[at]) + 1e-9 ? i : at), 0)
  const sign = turn[most] < 0 ? -1 : 1
  return `${turn.map((n) => Math.round(sign * n * 1e6) / 1e6 + 0).join(' ')} ${mirrored} ${color ?? ''}`
}

/**
 * The surface frames of one pattern, each once, so that its copies can name theirs by a number. 0 stands for a copy's own: as
 * on its part, or as on the part's mirror image.
 */
export class SurfaceFrames {
  private readonly frames: SurfaceFrame[] = []
  private readonly numbers = new Map<string, number>()

  /** The number of a frame on a copy; 0 where it is the copy's own. */
  numberOf(frame: SurfaceFrame, twin: boolean): number {
    const key = keyOfFrame(frame)
    if (key === keyOfFrame(ownFrame(twin))) return 0
    const known = this.numbers.get(key)
    if (known !== undefined) return known
    this.frames.push(frame)
    this.numbers.set(key, this.frames.length)
    return this.frames.length
  }

  /** The frame of a number on a copy. */
  of(number: number, twin: boolean): SurfaceFrame {
    return number === 0 ? ownFrame(twin) : this.frames[number - 1]
  }

  /** The number of a surface in another colour; undefined for the part's own. */
  colored(number: number, twin: boolean, color: string | undefined): number {
    return this.numberOf({ ...this.of(number, twin), color }, twin)
  }

  /** A table of another pattern whose copies name their surfaces by numbers of these frames; the same where none has one. */
  adopted(table: InstanceTable, frames: readonly SurfaceFrame[]): InstanceTable {
    if (frames.length === 0) return table
    const own = table.snapshot()
    for (let k = 0; k < own.count; k++) {
      const frame = frames[own.surface[k] - 1]
      if (frame) own.surface[k] = this.numberOf(frame, own.isTwin(k))
    }
    return own
  }

  /** All frames that have a number, the first of them 1. */
  get all(): readonly SurfaceFrame[] {
    return this.frames
  }
}

/** Where a direction on the part lies in a copy's axes. */
export const inFrame = (frame: SurfaceFrame, way: Readonly<Vec3>): Vec3 => carried({ ...frame, move: [0, 0, 0] }, way)
