import { buildCurve } from '../curves/build'
import type { BezierRun } from '../values/curve'
import type { OutlineShape } from '../values/outline'
import { type Result, done, refused } from '../words'
import { pointsAlong } from './flatten'

type Ring = [number, number][]

/** From where to where a ring reaches, across or up. */
function rangeOf(ring: Ring, axis: 0 | 1): [number, number] {
  let [low, high] = [Infinity, -Infinity]
  for (const point of ring) [low, high] = [Math.min(low, point[axis]), Math.max(high, point[axis])]
  return [low, high]
}

/**
 * An outlined area on the ground from the closed runs of a drawing that stands upright: laid down, its middle at the origin, the widest
 * of its outlines first. Bends become corners in steps of 7.5° or less.
 *
 * @param name the drawing's, for the sentences
 */
export function outlineOfRuns(runs: readonly BezierRun[], name: string): Result<OutlineShape> {
  const closed = runs.filter((run) => run.closed)
  if (closed.length === 0)
    return refused(`${name} has no closed outline to fill. Close its lines, then choose it again.`)
  const built = buildCurve({ kind: 'bezier', runs: closed, from: { kind: 'drawing', fileName: name } })
  if (!built.ok) return built
  const rings = built.value
    .map((contour) => pointsAlong(contour).map(([x, y]): [number, number] => [x, -y]))
    .filter((ring) => ring.length >= 3)
  if (rings.length === 0) return refused(`${name} has no outline that encloses anything. Choose another drawing.`)
  if (rings.some((ring) => ring.length > MOST_POINTS))
    return refused(
      `An outline of ${name} has more than `,
      { count: MOST_POINTS },
      ' points. Simplify it, then choose it again.',
    )
  const ends = ([0, 1] as const).map((axis) => rings.map((ring) => rangeOf(ring, axis)))
  const middle = ends.map(
    (all) => (Math.min(...all.map(([low]) => low)) + Math.max(...all.map(([, high]) => high))) / 2,
  )
  const width = (ring: Ring): number => rangeOf(ring, 0)[1] - rangeOf(ring, 0)[0]
  const [first, ...more] = rings
    .sort((a, b) => width(b) - width(a))
    .map((ring) => ring.map(([x, z]): [number, number] => [x - middle[0], z - middle[1]]))
  return done({ kind: 'polygon', points: first, ...(more.length > 0 && { more }) })
}
const MOST_POINTS = 2000
