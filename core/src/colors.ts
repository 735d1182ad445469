/** One channel of an sRGB colour, 0 to 1, to linear light and back (IEC 61966-2-1). */
export const toLinear = (c: number): number => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4)
export const toGamma = (c: number): number => (c <= 0.0031308 ? 12.92 * c : 1.055 * c ** (1 / 2.4) - 0.055)

/** "#rrggbb" as linear red, green and blue from 0 to 1, as glTF stores them. */
export const linearOf = (hex: string): [number, number, number] =>
  [1, 3, 5].map((at) => toLinear(parseInt(hex.slice(at, at + 2), 16) / 255)) as [number, number, number]

/** Linear red, green and blue as the nearest "#rrggbb". */
export const toHex = (linear: readonly number[]): string =>
  `#${[0, 1, 2]
    .map((i) =>
      Math.round(255 * toGamma(Math.min(1, Math.max(0, linear[i]))))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`
