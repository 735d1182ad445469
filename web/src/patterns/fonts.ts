import { readAway } from '../worker/reading'
import type { BezierRun } from '@hilera/core/values/curve'
import { type Result, refused } from '@hilera/core/words'
import bebas from '@fontsource/bebas-neue/files/bebas-neue-latin-400-normal.woff?url'
import montserrat from '@fontsource/montserrat/files/montserrat-latin-700-normal.woff?url'
import playfair from '@fontsource/playfair-display/files/playfair-display-latin-700-normal.woff?url'

/** Fonts that ship with the program, by the names under which they are offered. */
const shippedFonts: Readonly<Record<string, string>> = {
  'Bebas Neue': bebas,
  Montserrat: montserrat,
  'Playfair Display': playfair,
}

/** The files of fonts that were used, by name. */
const files = new Map<string, Uint8Array>()

/** Takes in a font file of the person's own, for as long as the page stays open. */
export async function addFont(file: File): Promise<Result<string>> {
  const bytes = new Uint8Array(await file.arrayBuffer())
  const font = await readAway(file.name, (to) => to.font(bytes, file.name))
  if (font.ok) files.set(file.name, bytes)
  return font
}

/** Fonts that can be used now. */
export const fontNames = (): string[] => [...new Set([...Object.keys(shippedFonts), ...files.keys()])]

/** The outlines of a text in a font; the font is fetched the first time. */
export async function outlinesOf(text: string, name: string, size: number): Promise<Result<BezierRun[]>> {
  let bytes = files.get(name)
  if (!bytes) {
    const url = shippedFonts[name]
    if (!url) return refused(`The font ${name} is not here any more. Choose its file again, or another font.`)
    bytes = new Uint8Array(await (await fetch(url)).arrayBuffer())
    files.set(name, bytes)
  }
  const own = bytes
  return readAway(name, (to) => to.letters(own, name, text, size))
}
