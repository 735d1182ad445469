import { type Font, parse } from 'opentype.js'
import type { BezierRun } from '../values/curve'
import type { Vec3 } from '../values/values'
import { plainFont } from './fontTables'
import { type Result, done, refused } from '../words'

/** Reads a font file: TTF, OTF or WOFF. */
export function readFont(bytes: Uint8Array, name: string): Result<Font> {
  if (bytes[0] === 0x77 && bytes[3] === 0x32)
    return refused(`${name} is WOFF2, which is not read here. Choose a TTF, OTF or WOFF file of the font.`)
  const unread = refused(`${name} is not a font that can be read. Choose a TTF, OTF or WOFF file.`)
  const plain = plainFont(bytes)
  if (!plain) return unread
  try {
    const font = parse(plain.buffer as ArrayBuffer)
    return font.unitsPerEm > 0 ? done(font) : unread
  } catch {
    return unread
  }
}

/**
 * The outlines of a text as closed runs, standing on the ground from the origin: each glyph by itself, with the font's
 * kerning.
 *
 * @param size the font's em in metres
 * @returns a sentence when the text leaves no outline, as spaces alone do, or the font's drawings are damaged
 */
export function textRuns(font: Font, text: string, size: number): Result<BezierRun[]> {
  const damaged = refused('The font is damaged: its letters cannot be drawn. Choose another font, or its file again.')
  try {
    // Glyphs are read from their tables as they are drawn.
    const runs = drawn(font, text, size)
    if (!runs.every(isFinite)) return damaged
    return runs.length > 0 ? done(runs) : refused(`“${text}” has no outline in this font. Type letters that it has.`)
  } catch {
    return damaged
  }
}

const isFinite = ({ start, pieces }: BezierRun): boolean =>
  [start, ...pieces.flat()].every((p) => p.every((n) => Number.isFinite(n)))

function drawn(font: Font, text: string, size: number): BezierRun[] {
  const scale = size / font.unitsPerEm
  const runs: BezierRun[] = []
  let x = 0
  let before: ReturnType<Font['charToGlyph']> | undefined
  for (const character of text) {
    const glyph = font.charToGlyph(character)
    if (before) x += font.getKerningValue(before, glyph) * scale
    // Glyph by glyph: whole strings pass through substitution tables that some fonts carry in forms the reader refuses.
    runs.push(...glyphRuns(glyph.getPath(x, 0, size).commands))
    x += (glyph.advanceWidth ?? 0) * scale
    before = glyph
  }
  return runs
}

interface Command {
  readonly type: string
  readonly x?: number
  readonly y?: number
  readonly x1?: number
  readonly y1?: number
  readonly x2?: number
  readonly y2?: number
}

function glyphRuns(commands: readonly Command[]): BezierRun[] {
  const runs: BezierRun[] = []
  let pieces: BezierRun['pieces'] = []
  let start: Vec3 = [0, 0, 0]
  let at: Vec3 = start
  // Fonts count y upwards, opentype.js downwards as pictures do.
  const place = (x = 0, y = 0): Vec3 => [x, -y || 0, 0]
  const finish = (): void => {
    if (pieces.length > 0) runs.push({ start, pieces, closed: true })
    pieces = []
  }
  const add = (a: Vec3, b: Vec3, to: Vec3): void => {
    if (a.join() !== at.join() || b.join() !== to.join() || to.join() !== at.join()) pieces.push([a, b, to])
    at = to
  }
  for (const { type, x, y, x1, y1, x2, y2 } of commands) {
    if (type === 'M') {
      finish()
      start = at = place(x, y)
    } else if (type === 'L') add(at, place(x, y), place(x, y))
    else if (type === 'C') add(place(x1, y1), place(x2, y2), place(x, y))
    else if (type === 'Q') {
      const [from, control, to] = [at, place(x1, y1), place(x, y)]
      const toward = (p: Vec3): Vec3 => [0, 1, 2].map((i) => p[i] + (2 / 3) * (control[i] - p[i])) as Vec3
      add(toward(from), toward(to), to)
    } else finish()
  }
  finish()
  return runs
}
