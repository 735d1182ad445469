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
  const head = headOf(new TextDecoder('latin1').decode(bytes.subarray(0, 1024)))
  if (!head) return refused(`${name} is not a binary graymap (P5). Choose the picture again.`)
  const { width, height, most, length } = head
  const values = bytes.subarray(length, length + width * height)
  if (most < 1 || most > 255 || width * height === 0 || values.length < width * height)
    return refused(`${name} is damaged: its brightness is not all there. Choose the picture again.`)
  return done({ width, height, values: most === 255 ? values : values.map((v) => Math.round((255 * v) / most)) })
}

/** What the head of a graymap says, and how long it is; word by word, comments passed over. */
function headOf(text: string): { width: number; height: number; most: number; length: number } | undefined {
  if (!text.startsWith('P5')) return undefined
  const word = /(?:\s|#[^\n]*\n)|(\d+)/y
  const numbers: number[] = []
  word.lastIndex = 2
  for (let found = word.exec(text); found; found = word.exec(text)) {
    if (found[1] === undefined) {
      // One blank ends the head; what comes after it is brightness.
      if (numbers.length === 3) break
    } else if (numbers.push(Number(found[1])) > 3) return undefined
  }
  const [width, height, most] = numbers
  return numbers.length === 3 ? { width, height, most, length: word.lastIndex } : undefined
}
