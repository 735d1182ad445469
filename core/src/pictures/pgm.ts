import type { Gray } from './brightness'
import { type Result, done, refused } from '../words'

/** The media type of a portable graymap. */
export const PGM = 'image/x-portable-graymap'

/** White, where a byte tells it. */
const BYTE = 255
const TWO_BYTES = 65_535

/** Writes brightness as a binary portable graymap (Netpbm, P5): one byte a pixel, or two, the higher first, where there are finer shades. */
export function writePgm({ width, height, values, most }: Gray): Uint8Array<ArrayBuffer> {
  const head = new TextEncoder().encode(`P5\n${width} ${height}\n${most}\n`)
  const each = most > BYTE ? 2 : 1
  const out = new Uint8Array(head.length + each * values.length)
  out.set(head)
  if (each === 1) out.set(values, head.length)
  else {
    const view = new DataView(out.buffer, head.length)
    values.forEach((value, i) => view.setUint16(2 * i, value))
  }
  return out
}

/**
 * Reads a binary portable graymap (Netpbm, P5) of one or two bytes a pixel; comments in its head are passed over.
 *
 * @param name the file's name, for the sentences
 */
export function readPgm(bytes: Uint8Array, name: string): Result<Gray> {
  const head = headOf(new TextDecoder('latin1').decode(bytes.subarray(0, 1024)))
  if (!head) return refused(`${name} is not a binary graymap (P5). Choose the picture again.`)
  const { width, height, most, length } = head
  const [count, each] = [width * height, most > BYTE ? 2 : 1]
  const rest = bytes.subarray(length, length + each * count)
  if (most < 1 || most > TWO_BYTES || count === 0 || rest.length < each * count)
    return refused(`${name} is damaged: its brightness is not all there. Choose the picture again.`)
  // What goes beyond what is said to be white is white.
  const view = new DataView(rest.buffer, rest.byteOffset, rest.byteLength)
  const values =
    each === 2
      ? Uint16Array.from({ length: count }, (_, i) => Math.min(view.getUint16(2 * i), most))
      : most === BYTE
        ? rest
        : rest.map((value) => Math.min(value, most))
  return done({ width, height, values, most })
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
