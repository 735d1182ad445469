import type { BezierRun } from '../values/curve'
import type { Vec3 } from '../values/values'

const between = (a: Vec3, b: Vec3): Vec3 => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2]
const plus = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]]
const minus = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]

/** The anchors of a run: its start and the end of each piece; of a closed one the last, which is the start again, left out. */
export function anchorsOf({ start, pieces, closed }: BezierRun): Vec3[] {
  const ends = pieces.map((piece) => piece[2])
  return [start, ...(closed && same(ends[ends.length - 1], start) ? ends.slice(0, -1) : ends)]
}

/** Moves an anchor with the handles beside it. Changes the run in place. */
export function moveAnchor(run: BezierRun, index: number, to: Vec3): void {
  const by = minus(to, anchorsOf(run)[index])
  const { pieces } = run
  const loops = run.closed && same(pieces[pieces.length - 1][2], run.start)
  const before = index > 0 ? index - 1 : loops ? pieces.length - 1 : -1
  if (index === 0) run.start = to
  if (before >= 0) {
    pieces[before][2] = to
    pieces[before][1] = plus(pieces[before][1], by)
  }
  if (pieces[index]) pieces[index][0] = plus(pieces[index][0], by)
}

/** Puts an anchor half-way into the piece after another; the curve keeps its form (de Casteljau). Changes the run in place. */
export function addAnchor(run: BezierRun, after: number): void {
  const index = Math.min(after, run.pieces.length - 1)
  const from = index === 0 ? run.start : run.pieces[index - 1][2]
  const [a, b, to] = run.pieces[index]
  const [fa, ab, bt] = [between(from, a), between(a, b), between(b, to)]
  const [left, right] = [between(fa, ab), between(ab, bt)]
  const middle = between(left, right)
  run.pieces.splice(index, 1, [fa, left, middle], [right, bt, to])
}

/** Takes an anchor out: its two pieces become one with their outer handles. Changes the run in place; a last piece stays. */
export function dropAnchor(run: BezierRun, index: number): void {
  const { pieces } = run
  if (pieces.length < 2) return
  if (index === 0) {
    const loops = run.closed && same(pieces[pieces.length - 1][2], run.start)
    const [first] = pieces.splice(0, 1)
    run.start = first[2]
    if (loops) pieces[pieces.length - 1][2] = run.start
  } else if (index === pieces.length) pieces.pop()
  else pieces.splice(index - 1, 2, [pieces[index - 1][0], pieces[index][1], pieces[index][2]])
}

const same = (a: Vec3, b: Vec3): boolean => a[0] === b[0] && a[1] === b[1] && a[2] === b[2]
