import { type Result, done, refused } from '../words'

/** The media type of a portable graymap. */
export const PGM = 'image/x-portable-graymap'

/** Brightness, row by row from the top left, 0 for black to 255 for white. */
export interface Gray {
  readonly width: number
  readonly height: number
  readonly values: Uint8Array
}

/** Writes brightness as a binary portable graymap (Netpbm, P5), one byte a pixel. */
export function writePgm({ width, height, values }: Gray): Uint8Array<ArrayBuffer> {
  const head = new TextEncoder().encode(`P5\n${width} ${height}\n255\n`)
  const out = new Uint8Array(head.length + values.length)
  out.set(head)
  out.set(values, head.length)
  return out
}

/**
 * Reads a binary portable graymap (Netpbm, P5) of one byte a pixel; comments in its head are passed over.
 *
 * @param name the file's name, for the sentences
 */
export function readPgm(bytes: Uint8Array, name: string): Result<Gray> {
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, 1024))
  const match = /^P5(?:\s+|\s*#[^\n]*\n)+(\d+)(?:\s+|\s*#[^\n]*\n)+(\d+)(?:\s+|\s*#[^\n]*\n)+(\d+)\s/.exec(head)
  if (!match) return refused(`${name} is not a binary graymap (P5). Choose the picture again.`)
  const [width, height, most] = match.slice(1).map(Number)
  const values = bytes.subarray(match[0].length, match[0].length + width * height)
  if (most < 1 || most > 255 || width * height === 0 || values.length < width * height)
    return refused(`${name} is damaged: its brightness is not all there. Choose the picture again.`)
  return done({ width, height, values: most === 255 ? values : values.map((v) => Math.round((255 * v) / most)) })
}

/**
 * The brightness at a place of a picture, blended between the middles of the four pixels about it.
 *
 * @param across from 0 at its left edge to 1
 * @param down from 0 at its top edge to 1
 * @returns from 0 to 1; undefined outside of it
 */
export function brightnessAt({ width, height, values }: Gray, across: number, down: number): number | undefined {
  if (!(across >= 0 && across <= 1 && down >= 0 && down <= 1)) return undefined
  const within = (n: number, most: number): number => Math.min(Math.max(n, 0), most)
  const [x, y] = [within(across * width - 0.5, width - 1), within(down * height - 0.5, height - 1)]
  const [left, top] = [Math.floor(x), Math.floor(y)]
  const [right, below] = [Math.min(left + 1, width - 1), Math.min(top + 1, height - 1)]
  const [u, v] = [x - left, y - top]
  const row = (r: number): number => (1 - u) * values[r * width + left] + u * values[r * width + right]
  return ((1 - v) * row(top) + v * row(below)) / 255
}
