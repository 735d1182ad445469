import { Bodies } from '../clearing/bodies'
import { gapOf } from '../clearing/gap'
import { inAxes } from '../evaluation/inAxes'
import { boxTreeOf, visitPairs } from '../geometry/boxTree'
import { isConvex } from '../geometry/convexMesh'
import { InstanceTable } from '../instances'
import { definitionOf } from '../layouts/index'
import { Taken } from '../mirror/taken'
import { gapsByMesh } from '../parts/meshGaps'
import { type PartSource, partMesh } from '../parts/partMesh'
import { plural } from '../words'
import type { FindingDefinition, Found, Looked } from './definition'
import { shownOf } from './eachPattern'

/** What reaches into another thing by less than this touches it: sums of rounded lengths, in metres. */
const TOUCHING = 1e-5
/** So many pairs whose outlines overlap are looked at by their surfaces; the others are told by their outlines. */
const BY_SURFACES = 4000

interface Pairs {
  count: number
  worst: number
  readonly first: Set<number>
  readonly second: Set<number>
}

/**
 * Copies of one pattern that overlap copies of another. One tree over the boxes of all copies finds candidates (a grid of cubes, as
 * within one pattern, was tried: cubes as large as a shelf hold all the sugar that lies on it), their outlines tell which are near,
 * their surfaces which overlap. What goes with another pattern stands where it does on purpose.
 */
export const between: FindingDefinition = {
  weight: 0,
  find(looked) {
    const shown = shownOf(looked)
    const { all, of, row } = together(looked)
    const bodies = new Bodies(all, looked.shapeOf)
    const boxes = boxesOf(bodies)
    const tree = boxTreeOf(boxes)
    const bySurface = gapsByMesh(looked.source)(bodies, all.thing, 0)
    const hosts = shown.map(({ pattern: { layout } }) => definitionOf(layout).host?.(layout))
    const belong = (a: number, b: number): boolean =>
      hosts[a] === shown[b].pattern.id || hosts[b] === shown[a].pattern.id
    const convex = new ConvexThings(looked.source)
    const pairs = new Map<number, Pairs>()
    // Copies that stand exactly on each other are told as that.
    const taken = new Taken(looked.things)
    const isTheSame = (i: number, j: number): boolean =>
      all.surface[i] === 0 && all.surface[j] === 0 && taken.coincide(all, i, all, j)
    let looks = 0
    visitPairs(tree, boxes, (one, other) => {
      const [i, j] = one < other ? [one, other] : [other, one]
      if (of[i] === of[j] || belong(of[i], of[j])) return
      if (ballsApart(bodies, i, j)) return
      let { gap } = gapOf(bodies, i, j)
      if (gap >= -TOUCHING) return
      // Of two convex things the outlines are the surfaces.
      const isAsOutlined = convex.of(all.thing[i]) && convex.of(all.thing[j])
      if (!isAsOutlined && looks++ < BY_SURFACES) gap = bySurface.between(i, j)
      if (gap >= -TOUCHING || isTheSame(i, j)) return
      const key = of[i] * shown.length + of[j]
      const pair = pairs.get(key) ?? { count: 0, worst: 0, first: new Set(), second: new Set() }
      pairs.set(key, pair)
      pair.count++
      pair.worst = Math.max(pair.worst, -gap)
      pair.first.add(row[i])
      pair.second.add(row[j])
    })
    return Array.from(pairs, ([key, { count, worst, first, second }]): Found => {
      const [a, b] = [Math.floor(key / shown.length), key % shown.length]
      return {
        pattern: shown[a].pattern.id,
        other: { pattern: shown[b].pattern.id, rows: [...second] },
        count,
        worst,
        rows: [...first],
      }
    })
  },
  says: ({ count, worst, pattern, other }, nameOf) => [
    `${nameOf(pattern!)} and ${nameOf(other!.pattern)}: `,
    { count, tone: 'wrong' },
    plural(count, ' pair overlaps', ' pairs overlap'),
    ', the deepest by ',
    { length: worst, tone: 'wrong' },
    '.',
  ],
  fixes: [],
}

function ballsApart({ position: p, middle: m, radius }: Bodies, i: number, j: number): boolean {
  const [a, b] = [3 * i, 3 * j]
  const x = p[a] + m[a] - p[b] - m[b]
  const y = p[a + 1] + m[a + 1] - p[b + 1] - m[b + 1]
  const z = p[a + 2] + m[a + 2] - p[b + 2] - m[b + 2]
  const reach = radius[i] + radius[j]
  return x * x + y * y + z * z > reach * reach
}

/** Which things are convex, asked once of each. */
class ConvexThings {
  private readonly known = new Map<number, boolean>()

  constructor(private readonly source: PartSource) {}

  of(thing: number): boolean {
    const before = this.known.get(thing)
    if (before !== undefined) return before
    const part = this.source.parts[thing]
    const mesh = part && partMesh(part, this.source)
    const is = mesh === undefined || isConvex(mesh)
    this.known.set(thing, is)
    return is
  }
}

/** The copies of all patterns that are shown as one table in the world; of each its pattern, by its number, and its row there. */
function together(looked: Looked): { all: InstanceTable; of: Uint32Array; row: Uint32Array } {
  const shown = shownOf(looked)
  const count = shown.reduce((n, { outcome }) => n + outcome.expanded.count, 0)
  const all = new InstanceTable()
  all.neutral(count)
  const [of, row] = [new Uint32Array(count), new Uint32Array(count)]
  let at = 0
  for (const [number, { pattern, outcome }] of shown.entries()) {
    const table = inAxes(outcome.expanded, pattern.place)
    all.putRows(table, at)
    for (let k = 0; k < table.count; k++, at++) {
      of[at] = number
      row[at] = outcome.owner ? outcome.owner[k] : k
    }
  }
  return { all, of, row }
}

/** The boxes about bodies along the axes; of what is not there a box that meets none. */
function boxesOf(bodies: Bodies): Float64Array {
  const boxes = new Float64Array(6 * bodies.count)
  for (let k = 0; k < bodies.count; k++)
    if (bodies.there[k]) bodies.box(k, boxes, 6 * k)
    else boxes.fill(Number.MAX_VALUE, 6 * k, 6 * k + 3).fill(-Number.MAX_VALUE, 6 * k + 3, 6 * k + 6)
  return boxes
}
