import type { Vec3 } from '../values/values'
import { type Result, done, refused } from '../words'
import { type Segment, formula } from './segment'

/**
 * A chain that hangs from the origin to another point, y = a·cosh((x − x₀) ÷ a) + c in the upright plane through both.
 *
 * By its length L the parameter follows from √(L² − v²) = 2a·sinh(h ÷ 2a), with h across and v up between the ends; by its sag,
 * how far its lowest point hangs below the lower end, the length is found that gives it. Solved by bisection to the last bit.
 */
export function catenary(to: Readonly<Vec3>, by: 'length' | 'sag', value: number): Result<Segment> {
  const h = Math.hypot(to[0], to[2])
  const v = to[1]
  const straight = Math.hypot(h, v)
  if (h < 1e-9) return refused('A chain hangs between two points that are apart across or deep. Move its end aside.')
  if (by === 'length') {
    if (!(value > straight))
      return refused(
        'A chain of ',
        { length: value },
        ' does not reach from end to end, ',
        { length: straight },
        '. Type a longer one.',
      )
    return done(hang(to, h, parameterFor(h, v, value)))
  }
  if (!(value > 0)) return refused('A chain sags by more than 0; type a length such as ', { length: 0.3 }, '.')
  let [low, high] = [straight * (1 + 1e-12), straight + 2 * value + h]
  while (sagOf(h, v, high) < value) high *= 2
  for (let i = 0; i < 200; i++) {
    const middle = (low + high) / 2
    if (middle === low || middle === high) break
    if (sagOf(h, v, middle) < value) low = middle
    else high = middle
  }
  return done(hang(to, h, parameterFor(h, v, high)))
}

/** a from 2a·sinh(h ÷ 2a) = √(L² − v²): the left side falls as a grows. */
function parameterFor(h: number, v: number, length: number): number {
  const wanted = Math.sqrt(length * length - v * v)
  let [low, high] = [h / 1400, h]
  while (2 * high * Math.sinh(h / (2 * high)) > wanted) high *= 2
  for (let i = 0; i < 200; i++) {
    const middle = (low + high) / 2
    if (middle === low || middle === high) break
    if (2 * middle * Math.sinh(h / (2 * middle)) > wanted) low = middle
    else high = middle
  }
  return high
}

const lowestAt = (h: number, v: number, a: number): number =>
  h / 2 - a * Math.asinh(v / (2 * a * Math.sinh(h / (2 * a))))

/** How far the lowest point between the ends lies below the lower end. */
function sagOf(h: number, v: number, length: number): number {
  const a = parameterFor(h, v, length)
  const x0 = Math.min(Math.max(lowestAt(h, v, a), 0), h)
  const dip = a * (Math.cosh(lowestAt(h, v, a) / a) - Math.cosh((x0 - lowestAt(h, v, a)) / a))
  return dip + Math.min(v, 0)
}

function hang(to: Readonly<Vec3>, h: number, a: number): Segment {
  const x0 = lowestAt(h, to[1], a)
  const base = a * Math.cosh(x0 / a)
  const [ux, uz] = [to[0] / h, to[2] / h]
  return formula(
    (t) => [ux * h * t, a * Math.cosh((h * t - x0) / a) - base, uz * h * t],
    (t) => [ux * h, h * Math.sinh((h * t - x0) / a), uz * h],
  )
}
