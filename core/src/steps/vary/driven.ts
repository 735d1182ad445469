import { brightnessAt } from '../../pictures/brightness'
import type { InstanceTable } from '../../instances'
import type { Driver } from '../../values/variation'
import type { Vec3 } from '../../values/values'
import type { Fields } from '../fields'

/**
 * The brightness that each copy gets its value from, 0 for dark to 1 for light; NaN for a copy that stands beside the picture.
 *
 * @returns undefined where the picture has not been read, or nothing there has colours
 */
export function drivenBy(table: InstanceTable, driver: Driver, fields: Fields): Float64Array | undefined {
  const { position: p, count } = table
  const rows = (value: (k: number) => number): Float64Array => Float64Array.from({ length: count }, (_, k) => value(k))
  if (driver.kind === 'colors') {
    const brightness = fields.colorsOn(driver.pattern)
    const at: Vec3 = [0, 0, 0]
    return (
      brightness &&
      rows((k) => {
        for (let i = 0; i < 3; i++) at[i] = p[3 * k + i]
        return brightness(at)
      })
    )
  }
  const picture = fields.brightnessOf(driver.file)
  if (!picture) return undefined
  const { middle, width } = driver
  const height = (width * picture.height) / picture.width
  // The top of a picture that lies is its far edge.
  const along = driver.plane === 'ground' ? 2 : 1
  const down = driver.plane === 'ground' ? 1 : -1
  return rows(
    (k) =>
      brightnessAt(
        picture,
        (p[3 * k] - middle[0]) / width + 0.5,
        (down * (p[3 * k + along] - middle[1])) / height + 0.5,
      ) ?? NaN,
  )
}
