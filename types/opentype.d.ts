/** The parts of opentype.js that are used; the package ships no types. */
declare module 'opentype.js' {
  export interface PathCommand {
    readonly type: string
    readonly x?: number
    readonly y?: number
    readonly x1?: number
    readonly y1?: number
    readonly x2?: number
    readonly y2?: number
  }
  export interface Glyph {
    readonly advanceWidth?: number
    getPath(x: number, y: number, size: number): { readonly commands: readonly PathCommand[] }
  }
  export interface Font {
    readonly unitsPerEm: number
    charToGlyph(character: string): Glyph
    getKerningValue(left: Glyph, right: Glyph): number
  }
  export function parse(buffer: ArrayBuffer): Font
}
