import { Bodies } from '../clearing/bodies'
import { gapOf } from '../clearing/gap'
import { type ArcLength, arcLengthOf } from '../curves/arcLength'
import { buildCurve } from '../curves/build'
import { NearestOnCurve, type NearestSpot } from '../curves/nearest'
import { UNTURNED } from '../geometry/rotation'
import { type Vec3, dot, minus } from '../geometry/vec'
import { definitionOf } from '../layouts/index'
import { inPattern, inWorld } from '../model/inWorld'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { type Result, done, refused } from '../words'
import type { Body } from './body'
import type { Around } from './definition'
import { NOTHING, type Space, type Spaced, stayerOf, tooClose } from './space'
import type { Wanted } from './wanted'
import { worldTable } from './worldTable'

/** What stands so near to the path, as a share of its length, is on it: nearer the place on it is not known. */
const ON_IT = 1e-6
/** Gaps come out to this, in metres. */
const EXACT = 1e-11
/** From gap to gap so many steps at most; each but the last few closes most of what is missing. */
const MOST_STEPS = 400
/** Halvings of the distance until a whole comes out. */
const HALVINGS = 60

/** The patterns along whose curve things can be spaced. */
export const pathsIn = ({ patterns }: Project): readonly Pattern[] =>
  patterns.filter(({ layout }) => definitionOf(layout).guide?.(layout) !== undefined)

/**
 * Spaces picked things along the curve of a pattern: equal pitches in true length of the path, or equal nearest distances between outlines as
 * they are turned. They come onto the path, in the order in which they stand along it; their turns stay. One stays where it stands along
 * it. On a closed path the order begins after the widest stretch that none of them stands on.
 *
 * "In all" is the length of path from the first pivot to the last.
 *
 * @param marked the one that leads: the nearest contour to it is taken
 * @returns a sentence where the path is gone or too short, or where they would overlap and may not
 */
export function spaceOnPath(
  bodies: readonly Body[],
  marked: Body | undefined,
  how: Space,
  around: Around,
): Result<Spaced> {
  if (bodies.length < 2) return NOTHING
  const stand = standOnPath(bodies, marked, how, around.project)
  if (!stand.ok) return stand
  const { pattern, arc, order } = stand.value
  const n = order.length
  const row = rowOnPath(pattern, arc, order, around)
  const stays =
    how.held === 'even'
      ? 0
      : stayerOf(
          order.map(({ body }) => body),
          marked,
          how.stays,
        )
  const from = order[stays].along
  const spread = (distance: number): number[] | undefined =>
    how.by === 'pitch'
      ? order.map((_, k) => from + (k - stays) * distance)
      : row.chain(stays, from, distance, arc.length)
  const whole = how.held === 'even' ? order[n - 1].along - order[0].along : how.overall
  const at = how.held === 'distance' ? spread(how.distance) : spreadOver(whole, how.by, n, spread)
  if (!at) return refused('So far apart they never come on this path. Give them less, or choose a longer path.')
  // The outermost two stay when they are evened out.
  if (how.held === 'even') at[n - 1] = order[n - 1].along
  const overall = at[n - 1] - at[0]
  const missing = arc.contour.closed ? overall - arc.length : Math.max(-at[0], at[n - 1] - arc.length)
  if (missing > ON_IT * arc.length)
    return refused(
      'The path is too short for that, by ',
      { length: missing },
      '. Give them less, or let another one stay.',
    )
  const gaps = row.gapsAt(at)
  const turns = arc.contour.closed && n > 2 ? [row.gapBetween(n - 1, at[n - 1], 0, at[0])] : []
  const close = tooClose([...gaps, ...turns], how)
  if (close) return close
  const wanted = order.map(({ body, distance }, k): Wanted => {
    const still = (k === stays || (how.held === 'even' && k === n - 1)) && distance < ON_IT * arc.length
    return { body, to: still ? body.stands : { ...body.stands, move: row.on(at[k]) } }
  })
  return done({ wanted, pitches: at.slice(1).map((s, k) => s - at[k]), gaps, overall })
}

/** Where things stand on the curve of a pattern. */
export interface StandOnPath {
  readonly pattern: Pattern
  /** Of the contour nearest to the one that leads; the curve has so many. */
  readonly arc: ArcLength
  readonly contours: number
  readonly order: readonly OnPath[]
}

/** Where things stand on a path, in their order along it; refused where it is gone, or is itself among them. */
export function standOnPath(
  bodies: readonly Body[],
  marked: Body | undefined,
  { path }: Pick<Space, 'path'>,
  project: Project,
): Result<StandOnPath> {
  const pattern = pathsIn(project).find(({ id }) => id === path)
  const curve = pattern && definitionOf(pattern.layout).guide?.(pattern.layout)
  if (!curve) return refused('The path that they were spaced along is gone. Choose another.')
  if (bodies.some(({ of }) => of.is === 'patterns' && of.ids.includes(pattern.id)))
    return refused('The path is among them and would move with them. Leave it out, or choose another.')
  const built = buildCurve(curve)
  if (!built.ok) return built
  const own = ({ stands }: Body): Vec3 => inPattern(pattern, stands).move
  const lead = own(marked && bodies.includes(marked) ? marked : bodies[0])
  const found = built.value.map((contour) => {
    const arc = arcLengthOf(contour)
    const near = new NearestOnCurve(arc)
    return { arc, near, away: near.to(lead).distance }
  })
  const { arc, near } = found.reduce((best, one) => (one.away < best.away ? one : best))
  const order = inOrder(
    bodies.map((body) => ({ body, ...sharpened(arc, own(body), near.to(own(body))) })),
    arc,
  )
  return done({ pattern, arc, contours: built.value.length, order })
}

export interface OnPath {
  readonly body: Body
  /** How far along the path its pivot is nearest, and how far from it. */
  readonly along: number
  readonly distance: number
}

/**
 * The nearest place of a contour, where it is known to a millionth, to the last digits: what the way to the point is along the curve is
 * gone along it (a fixed point, which closes in where the point is nearer than the curve's centre).
 */
function sharpened(arc: ArcLength, point: Readonly<Vec3>, rough: NearestSpot): NearestSpot {
  const at = (length: number): NearestSpot & { readonly missing: number } => {
    const { point: on, tangent } = arc.at(length)
    const way = minus(point, on)
    return { length, distance: Math.hypot(...way), missing: dot(way, tangent) }
  }
  let best = at(rough.length)
  for (let i = 0; i < 4; i++) {
    const to = best.length + best.missing
    const next = at(arc.contour.closed ? to : Math.min(Math.max(to, 0), arc.length))
    if (next.distance > best.distance) break
    best = next
  }
  return { length: best.length, distance: best.distance }
}

/** The nearest distances between neighbours as they stand on a path. */
export function gapsOnPath({ pattern, arc, order }: StandOnPath, around: Around): number[] {
  const row = rowOnPath(pattern, arc, order, around)
  return row.gapsAt(order.map(({ along }) => along))
}

const rowOnPath = (pattern: Pattern, arc: ArcLength, order: readonly OnPath[], around: Around): RowOnPath =>
  new RowOnPath(
    order.map(({ body }) => body),
    (along) => inWorld(pattern, { move: arc.at(along).point, turn: UNTURNED, size: [1, 1, 1] }).move,
    around,
  )

/** In their order along a contour; a closed one is cut open where none of them stands for the longest. */
function inOrder(all: readonly { body: Body; length: number; distance: number }[], arc: ArcLength): OnPath[] {
  const rows = all
    .map(({ body, length, distance }): OnPath => ({ body, along: length, distance }))
    .sort((a, b) => a.along - b.along)
  if (!arc.contour.closed) return rows
  const free = rows.map(({ along }, k) =>
    k === 0 ? along + arc.length - rows[rows.length - 1].along : along - rows[k - 1].along,
  )
  const first = free.indexOf(Math.max(...free))
  return [...rows.slice(first), ...rows.slice(0, first).map((row) => ({ ...row, along: row.along + arc.length }))]
}

/** The distance with which they take a length in all; undefined where none does. */
function spreadOver(
  whole: number,
  by: Space['by'],
  n: number,
  spread: (distance: number) => number[] | undefined,
): number[] | undefined {
  if (by === 'pitch') return spread(whole / (n - 1))
  const tooFar = (at: number[] | undefined): boolean => !at || at[n - 1] - at[0] > whole
  let [low, high] = [-whole, whole]
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2
    if (tooFar(spread(middle))) high = middle
    else low = middle
  }
  return spread(low)
}

/** Things along a path, each in its own turn, as outlines in the world whose gaps are asked. */
class RowOnPath {
  private readonly outlines: Bodies
  /** The rows of each thing: a group has several. */
  private readonly rows: number[][] = []
  /** Where the outlines stand that are asked for, from the pivot of their thing. */
  private readonly offset: Float64Array

  constructor(
    private readonly bodies: readonly Body[],
    readonly on: (along: number) => Vec3,
    around: Around,
  ) {
    // A pattern of a group in which nothing stands is nowhere.
    const isThere = (id: string): boolean => around.outcomes.some((o) => o.id === id && o.expanded.presentCount() > 0)
    const things = bodies.map(({ of }) => (of.is === 'copy' ? of : { ...of, ids: of.ids.filter(isThere) }))
    const table = worldTable(around, things)
    this.outlines = new Bodies(table, (thing) => around.shapeOf(thing))
    this.offset = new Float64Array(3 * table.count)
    let k = 0
    for (const [i, { stands }] of bodies.entries()) {
      const of = things[i]
      const own = Array.from({ length: of.is === 'copy' ? 1 : of.ids.length }, () => k++)
      this.rows.push(own)
      for (const row of own) this.offset.set(minus(table.moveOf(row), stands.move), 3 * row)
    }
  }

  private put(k: number, along: number): void {
    const at = this.on(along)
    const { position } = this.outlines
    for (const row of this.rows[k]) for (let i = 0; i < 3; i++) position[3 * row + i] = at[i] + this.offset[3 * row + i]
  }

  /** The nearest distance between two things; Infinity where one takes up no room. */
  gapBetween(a: number, alongA: number, b: number, alongB: number): number {
    this.put(a, alongA)
    this.put(b, alongB)
    return this.gap(a, b)
  }
  private gap(a: number, b: number): number {
    const { there } = this.outlines
    let least = Infinity
    for (const i of this.rows[a])
      for (const j of this.rows[b]) if (there[i] && there[j]) least = Math.min(least, gapOf(this.outlines, i, j).gap)
    return least
  }

  gapsAt = (at: readonly number[]): number[] => at.slice(1).map((s, k) => this.gapBetween(k, at[k], k + 1, s))

  /** Places along the path of which neighbours keep a gap, from one that stays to both sides; undefined where the path ends before. */
  chain(stays: number, from: number, gap: number, longest: number): number[] | undefined {
    const at = this.bodies.map(() => from)
    for (const side of [1, -1])
      for (let k = stays + side; k >= 0 && k < at.length; k += side) {
        const next = this.next(k - side, at[k - side], k, gap, side, longest)
        if (next === undefined) return undefined
        at[k] = next
      }
    return at
  }

  /**
   * The first place beyond a neighbour at which a gap to it is kept. Moved along a path by so much nothing comes nearer or farther by more:
   * what is missing of the gap can always be gone without going past that place. How deep two lie in each other is not known as exactly
   * as how far apart they are (it may be told by some percent too much): from there only half of it is gone.
   */
  private next(a: number, alongA: number, b: number, gap: number, side: number, longest: number): number | undefined {
    this.put(a, alongA)
    let along = alongA
    for (let i = 0; i < MOST_STEPS; i++) {
      this.put(b, along)
      const now = this.gap(a, b)
      const missing = gap - now
      if (missing <= EXACT) return along
      along += side * Math.max(now < 0 ? missing / 2 : missing, EXACT)
      if (Math.abs(along - alongA) > longest) return undefined
    }
    return along
  }
}
