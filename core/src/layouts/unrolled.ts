import type { Vec3 } from '../geometry/vec'
import type { Strip } from '../spacing/strip'

export interface Band {
  readonly key: 'along' | 'across' | 'deep' | 'up'
  readonly direction: Vec3
  readonly strip: Strip
}

/** A ring cut open at its start: places in metres along its arc, and how neighbours really stand, the last with the first where it closes. */
export interface OpenRing {
  readonly strip: Strip
  readonly angle: Float64Array
  readonly arc: Float64Array
  readonly chord: Float64Array
  readonly gap: Float64Array
  readonly closes: boolean
  readonly length: number
}

/** A path pulled straight in true length, contour after contour. */
export interface PulledPath {
  readonly strip: Strip
  readonly length: number
  /** From each copy to the next on its contour, the last to the first where that closes: along the path, straight, and clear. */
  readonly pairs: readonly {
    readonly from: number
    readonly to: number
    readonly pitch: number
    readonly straight: number
    readonly gap: number
  }[]
  readonly corners: readonly number[]
  /** Where contours after the first begin. */
  readonly breaks: readonly number[]
}

/** A pattern laid out flat, as its copies finally stand: what the spacing strip draws. */
export type Unrolled =
  | { readonly as: 'bands'; readonly bands: readonly Band[] }
  | ({ readonly as: 'ring' } & OpenRing)
  | ({ readonly as: 'path' } & PulledPath)
  /** Of a scatter, the distance from each copy to its nearest neighbour, the closest first. */
  | { readonly as: 'nearest'; readonly distances: Float64Array }
  | { readonly as: 'none' }
