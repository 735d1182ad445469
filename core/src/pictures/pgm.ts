import type { Gray } from './brightness'
import { type Result, done, refused } from '../words'

/** The media type of a portable graymap. */
export const PGM = 'image/x-portable-graymap'

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
