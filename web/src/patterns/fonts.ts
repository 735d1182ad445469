import { readFont, textRuns } from '@hilera/core/curves/text'
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

type Font = Parameters<typeof textRuns>[0]
const read = new Map<string, Font>()

/** Takes in a font file of the person's own, for as long as the page stays open. */
export async function addFont(file: File): Promise<Result<string>> {
  const font = readFont(new Uint8Array(await file.arrayBuffer()), file.name)
  if (!font.ok) return font
  read.set(file.name, font.value)
  return { ok: true, value: file.name }
}

/** Fonts that can be used now. */
export const fontNames = (): string[] => [...new Set([...Object.keys(shippedFonts), ...read.keys()])]

/** The outlines of a text in a font; the font is fetched the first time. */
export async function outlinesOf(text: string, name: string, size: number): Promise<Result<BezierRun[]>> {
  let font = read.get(name)
  if (!font) {
    const url = shippedFonts[name]
    if (!url) return refused(`The font ${name} is not here any more. Choose its file again, or another font.`)
    const made = readFont(new Uint8Array(await (await fetch(url)).arrayBuffer()), name)
    if (!made.ok) return made
    read.set(name, (font = made.value))
  }
  return textRuns(font, text, size)
}
