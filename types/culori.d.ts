declare module 'culori' {
  export interface Color {
    readonly mode: string
  }
  export function interpolate(colors: readonly string[], mode: string): (t: number) => Color
  export function formatHex(color: Color): string
  export function wcagContrast(a: string, b: string): number
  export function converter(mode: string): (color: string) => Record<string, number>
}

declare module 'culori/fn' {
  export { formatHex, interpolate } from 'culori'
  export interface Mode {
    readonly mode: string
  }
  export const modeRgb: Mode
  export const modeOklab: Mode
  export function useMode(mode: Mode): void
}
