import { Bodies } from '../clearing/bodies'
import { gapOf } from '../clearing/gap'
import { inAxes } from '../evaluation/inAxes'
import { boxTreeOf, visitMeeting } from '../geometry/boxTree'
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
    let looks = 0
    for (let i = 0; i < bodies.count; i++) {
      if (!bodies.there[i]) continue
      visitMeeting(tree, boxes, 6 * i, (j) => {
        if (j <= i || of[i] === of[j] || !bodies.there[j] || belong(of[i], of[j])) return
        if (ballsApart(bodies, i, j)) return
        let { gap } = gapOf(bodies, i, j)
        if (gap >= -TOUCHING) return
        // Of two convex things the outlines are the surfaces.
        const isAsOutlined = convex.of(all.thing[i]) && convex.of(all.thing[j])
        if (!isAsOutlined && looks++ < BY_SURFACES) gap = bySurface.between(i, j)
        if (gap >= -TOUCHING || isTheSame(looked, all, i, j)) return
        const key = of[i] * shown.length + of[j]
        const pair = pairs.get(key) ?? { count: 0, worst: 0, first: new Set(), second: new Set() }
        pairs.set(key, pair)
        pair.count++
        pair.worst = Math.max(pair.worst, -gap)
        pair.first.add(row[i])
        pair.second.add(row[j])
      })
    }
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

/** Copies that stand exactly on each other are told as that. */
function isTheSame({ things }: Looked, all: InstanceTable, i: number, j: number): boolean {
  if (all.thing[i] !== all.thing[j] || all.surface[i] > 0 || all.surface[j] > 0) return false
  const taken = new Taken(things)
  taken.add(all, i)
  return taken.has(all, j)
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
    for (let k = 0; k < table.count; k++, at++) {
      all.putRow(table, k, at)
      of[at] = number
      row[at] = outcome.owner ? outcome.owner[k] : k
    }
  }
  return { all, of, row }
}

/** The boxes about bodies along the axes; of what is not there a box that meets none. */
function boxesOf(bodies: Bodies): Float64Array {
  const boxes = new Float64Array(6 * bodies.count)
  const reached = new Float64Array(3)
  for (let k = 0; k < bodies.count; k++)
    for (let a = 0; a < 3; a++)
      for (const way of [-1, 1]) {
        const side = 6 * k + (way < 0 ? a : 3 + a)
        if (!bodies.there[k]) {
          boxes[side] = -way * Number.MAX_VALUE
          continue
        }
        bodies.support(k, a === 0 ? way : 0, a === 1 ? way : 0, a === 2 ? way : 0, reached, 0)
        boxes[side] = reached[a]
      }
  return boxes
}
