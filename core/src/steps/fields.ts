import type { Gray } from '../pictures/brightness'
import type { Vec3 } from '../values/values'

/** What a step may ask about the places around a pattern, in the pattern's own axes. */
export interface Fields {
  /** How far a place is from the guide or the outline of another pattern; undefined where that has neither. */
  distanceTo(pattern: string): ((place: Readonly<Vec3>) => number) | undefined
  /** A picture's brightness; undefined while its file has not been read. */
  brightnessOf(file: string): Gray | undefined
  /** The brightness of the vertex colour nearest to a place on the copies of another pattern; undefined where none has colours. */
  colorsOn(pattern: string): ((place: Readonly<Vec3>) => number) | undefined
}
