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

/**
 * The surface frames of an evaluation, each once, so that copies can name theirs by a number. 0 stands for a copy's own: as
 * on its part, or as on the part's mirror image.
 */
export class SurfaceFrames {
  private readonly frames: SurfaceFrame[] = []
  private readonly numbers = new Map<string, number>()

  /** The number of a frame on a copy; 0 where it is the copy's own. */
  numberOf(frame: SurfaceFrame, twin: boolean): number {
    const most = frame.turn.reduce((at, n, i) => (Math.abs(n) > Math.abs(frame.turn[at]) + 1e-9 ? i : at), 0)
    const sign = frame.turn[most] < 0 ? -1 : 1
    const turn = frame.turn.map((n) => Math.round(sign * n * 1e6) / 1e6 + 0)
    if (frame.mirrored === twin && turn[3] === 1 && frame.color === undefined) return 0
    const key = `${turn.join(' ')} ${frame.mirrored} ${frame.color ?? ''}`
    const known = this.numbers.get(key)
    if (known !== undefined) return known
    if (this.frames.length >= 0xffff) return 0
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

  /** All frames that have a number, the first of them 1. */
  get all(): readonly SurfaceFrame[] {
    return this.frames
  }
}

/** Where a direction on the part lies in a copy's axes. */
export const inFrame = (frame: SurfaceFrame, way: Readonly<Vec3>): Vec3 => carried({ ...frame, move: [0, 0, 0] }, way)
