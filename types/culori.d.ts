declare module 'culori' {
  export interface Color {
    readonly mode: string
  }
  export function interpolate(colors: readonly string[], mode: string): (t: number) => Color
  export function formatHex(color: Color): string
  export function wcagContrast(a: string, b: string): number
  export function converter(mode: string): (color: string) => Record<string, number>
}
