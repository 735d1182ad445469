import { minus } from '../geometry/vec'
import { rising } from '../numbers/rising'
import { type Result, done, refused } from '../words'
import type { Body } from './body'
import type { Around } from './definition'
import { EXACT, RowOnCourse } from './rowOnCourse'
import { NOTHING, type Space, type Spaced, stayerOf, tooClose } from './space'
import { type StandOnPath, standOnPath } from './pathCourse'
import { type StandRound, standRound } from './roundCourse'
import { ON_COURSE } from './course'
import type { Wanted } from './wanted'

/** So often a gap that is too large is halved before there is no room at all. */
const HALVINGS = 40

/** Nearer than gaps come out to, in metres: who is to stand there stands there already. */
const SAME = 10 * EXACT

/**
 * Spaces picked things along the curve of a pattern, or round the circle that fits them: equal pitches in true length of it, or equal nearest
 * distances between outlines as they are turned. They come onto it, in the order in which they stand along it; their turns stay. One
 * stays where it stands along it. What is closed begins after the widest stretch that none of them stands on.
 *
 * "In all" is the length from the first pivot to the last. Evened out all round, the last is as far from the first as any from the next.
 *
 * @param marked the one that leads
 * @returns a sentence where there is no such course or it is too short, or where they would overlap and may not
 */
export function spaceOnCourse(
  bodies: readonly Body[],
  marked: Body | undefined,
  how: Space,
  around: Around,
): Result<Spaced> {
  if (bodies.length < 2) return NOTHING
  const stand = standAlong(bodies, marked, how, around)
  if (!stand.ok) return stand
  const { course, order } = stand.value
  const n = order.length
  const row = new RowOnCourse(order, course, around)
  const closes = goesRound(how)
  const inTheirOrder = order.map(({ body }) => body)
  const stays = how.held === 'even' && !closes ? 0 : stayerOf(inTheirOrder, marked, how.stays)
  const from = order[stays].along
  const spread = (distance: number): number[] | undefined =>
    how.by === 'pitch' ? order.map((_, k) => from + (k - stays) * distance) : row.chain(stays, from, distance)
  const at =
    how.held === 'distance'
      ? spread(how.distance)
      : closes
        ? allRound(course.length, how.by, n, spread, (places) => row.gapRound(places))
        : spreadOver(how.held === 'even' ? order[n - 1].along - order[0].along : how.overall, how.by, n, spread)
  if (!at)
    return refused(
      how.along === 'round'
        ? 'So far apart they do not go round that circle. Give them less.'
        : 'So far apart they never come on this path. Give them less, or choose a longer path.',
    )
  // The outermost two stay when they are evened out between them.
  if (how.held === 'even' && !closes) at[n - 1] = order[n - 1].along
  const overall = at[n - 1] - at[0]
  const missing = course.closed ? overall - course.length : Math.max(-at[0], at[n - 1] - course.length)
  if (missing > ON_COURSE * course.length)
    return refused(course.short, { length: missing }, '. Give them less, or let another one stay.')
  const gaps = row.gapsAt(at)
  const turns = course.closed && n > 2 ? [row.gapRound(at)] : []
  const close = tooClose([...gaps, ...turns], how)
  if (close) return close
  const pitches = at.slice(1).map((s, k) => s - at[k])
  const wanted = order.map(({ body, distance }, k): Wanted => {
    const isHeld = k === stays || (how.held === 'even' && !closes && k === n - 1)
    const move = course.at(at[k], body)
    const still = isHeld ? distance < ON_COURSE * course.length : Math.hypot(...minus(move, body.stands.move)) < SAME
    return { body, to: still ? body.stands : { ...body.stands, move } }
  })
  return done({
    wanted,
    pitches: closes ? [...pitches, course.length - overall] : pitches,
    gaps: closes ? [...gaps, ...turns] : gaps,
    overall,
    ...('radius' in stand.value && { radius: stand.value.radius }),
    straightened: {
      along: at,
      ways: at.map((s) => course.way(s)),
      begins: how.along === 'round' ? at[0] : 0,
      closes: closes ? course.length : undefined,
    },
  })
}

/** Whether they are evened out all the way round. */
export const goesRound = ({ along, held, between }: Space): boolean => along === 'round' && held === 'even' && !between

const standAlong = (
  bodies: readonly Body[],
  marked: Body | undefined,
  how: Space,
  { project }: Around,
): Result<StandOnPath | StandRound> =>
  how.along === 'round' ? standRound(bodies) : standOnPath(bodies, marked, how, project)

type Spread = (distance: number) => number[] | undefined

/** Places that take a length in all from the first to the last; undefined where there are none. */
function spreadOver(whole: number, by: Space['by'], n: number, spread: Spread): number[] | undefined {
  if (by === 'pitch') return spread(whole / (n - 1))
  return risen(n - 1, whole, spread, (at) => at[n - 1] - at[0] - whole)
}

/** Places that go round a closed course, the last of them as far from the first as all from their neighbours. */
function allRound(
  length: number,
  by: Space['by'],
  n: number,
  spread: Spread,
  gapRound: (at: readonly number[]) => number,
): number[] | undefined {
  if (by === 'pitch') return spread(length / n)
  // While they go round more than once, what is too much tells how much less to give: past the first one the gap grows again.
  return risen(n, length, spread, (at, gap) => {
    const beyond = at[n - 1] - at[0] - length
    return beyond >= 0 ? beyond + length / n : gap - gapRound(at)
  })
}

/**
 * Places of the gap at which what is over comes to 0. Halving in on it laid the row out sixty times; from a first look at no gap at all, which tells
 * how wide they are, it takes some ten.
 */
function risen(
  gaps: number,
  whole: number,
  spread: Spread,
  over: (at: readonly number[], gap: number) => number,
): number[] | undefined {
  const bare = spread(0)
  const guess = bare ? (whole - (bare[bare.length - 1] - bare[0])) / gaps : 0
  const left = (distance: number): number => {
    const at = spread(distance)
    return at ? over(at, distance) / gaps : whole
  }
  // The guess is too large round a bend, where a gap is shorter than the way. Half of what fits is too little; but things pressed into one
  // another may seem to close a circle, so that none is looked for much below.
  let from = guess
  for (let i = 0; i < HALVINGS && from > 0 && left(from) > 0; i++) from /= 2
  const gap = rising(left, { guess: from, within: EXACT })
  return gap === undefined ? undefined : spread(gap)
}
