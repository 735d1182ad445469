import { type Cloud, MARKS, pointAt } from './cloud'

/** Two points by which a turn is found: as rare as can be, and not in line with the middle. */
export interface Anchors {
  readonly first: number
  readonly second: number
}

/** Points of the other whose surroundings are like those of a point here, each within what moving points so far could change. */
export function alike(cloud: Cloud, point: number, other: Cloud, room: number): number[] {
  const mine = cloud.marks.subarray(MARKS * point, MARKS * point + MARKS)
  const out: number[] = []
  const { marks, count } = other
  for (let i = 0; i < count; i++) {
    const m = MARKS * i
    if (Math.abs(marks[m] - mine[0]) > 3 * room) continue
    const give = 4 * room * Math.max(marks[m + 4], mine[4]) + 1e-4
    if (Math.abs(marks[m + 1] - mine[1]) > give) continue
    if (Math.abs(marks[m + 2] - mine[2]) > 2 * give || Math.abs(marks[m + 3] - mine[3]) > 2 * give) continue
    out.push(i)
  }
  return out
}

/** The rarest points by their surroundings, the far ones first: few of the other's points can then be theirs. */
export function anchorsOf({ count, points, marks }: Cloud): Anchors | undefined {
  const classes = new Map<string, number>()
  const keyOf = (i: number): string => [0, 1, 2, 3].map((k) => Math.round(marks[MARKS * i + k] * 300)).join(' ')
  for (let i = 0; i < count; i++) {
    const key = keyOf(i)
    classes.set(key, (classes.get(key) ?? 0) + 1)
  }
  const weights = new Float64Array(count)
  const best = (): number => {
    const most = weights.reduce((a, b) => Math.max(a, b), 0)
    let [found, rarity, reach] = [-1, Infinity, 0]
    for (let i = 0; i < count; i++) {
      if (!(weights[i] > 0.25 * most)) continue
      const n = classes.get(keyOf(i))!
      if (n < rarity || (n === rarity && weights[i] > reach)) [found, rarity, reach] = [i, n, weights[i]]
    }
    return found
  }
  for (let i = 0; i < count; i++) weights[i] = marks[MARKS * i]
  const first = best()
  if (first < 0) return undefined
  const p = pointAt(points, first)
  for (let i = 0; i < count; i++) {
    const q = pointAt(points, i)
    weights[i] = Math.hypot(p[1] * q[2] - p[2] * q[1], p[2] * q[0] - p[0] * q[2], p[0] * q[1] - p[1] * q[0])
    // Points in line with the first and the middle settle no turn.
    if (weights[i] < 1e-6) weights[i] = 0
  }
  const second = best()
  return second < 0 ? undefined : { first, second }
}
