import type { InstanceTable, Placing } from '../instances'
import { inPattern, inWorld } from '../model/inWorld'
import type { Pattern } from '../model/pattern'
import type { Clock } from './index'
import type { Moment, Moments } from './moments'
import { movedPlacing } from './standing'
import { RESTS } from './state'
import { type Pose, type Track, type Tolerance, straightened, usualTolerance } from './tracks'

/** One piece that is there at some picture, and how it goes from the first to the last. */
export interface PieceInTime {
  /** The number of its guise; `frames` are those of its pattern. */
  readonly guise: number
  readonly thing: number
  readonly track: Track
}

/** So many places of copies are kept at the most: the copies of one picture times the pictures. */
const MOST_PLACES = 20_000_000

/** How many pictures an animation has, the last one at its end among them. */
export const picturesWithEnd = ({ length, rate }: Clock): number => Math.max(2, Math.floor(length * rate + 1e-9) + 1)

/** Whether what changes in time is more than can be followed picture by picture. */
export const isTooMuch = (copies: number, clock: Clock): boolean => copies * picturesWithEnd(clock) > MOST_PLACES

/**
 * How each piece of patterns whose numbers change goes, picture by picture: between two pictures readers go straight. A piece is known from
 * picture to picture by its copy's slot, its number within the copy, and its looks.
 *
 * @param patterns that are followed, as they stand at rest: their places are told in these axes
 * @param guiseOf the number of a row's guise
 * @param onPicture called after each picture with the share done
 * @returns by pattern, in the order in which pieces first come
 */
export function piecesInTime(
  moments: Moments,
  clock: Clock,
  patterns: readonly Pattern[],
  guiseOf: (table: InstanceTable, row: number) => number,
  onPicture: (share: number) => void = () => {},
  tolerance: Tolerance = usualTolerance,
): Map<string, PieceInTime[]> {
  const count = picturesWithEnd(clock)
  const found = new Map<string, Map<string, { guise: number; thing: number; poses: (Pose | undefined)[] }>>()
  for (let n = 0; n < count; n++) {
    const moment = moments.at(Math.min(n / clock.rate, clock.length))
    for (const pattern of patterns) {
      const { id } = pattern
      const pieces = found.get(id) ?? new Map<string, { guise: number; thing: number; poses: (Pose | undefined)[] }>()
      found.set(id, pieces)
      for (const { key, guise, thing, pose } of posesOf(moment, pattern, guiseOf)) {
        const piece = pieces.get(key) ?? { guise, thing, poses: [] }
        pieces.set(key, piece)
        piece.poses[n] = pose
      }
    }
    onPicture((n + 1) / count)
  }
  const times = Array.from({ length: count }, (_, n) => Math.min(n / clock.rate, clock.length))
  return new Map(
    [...found].map(([id, pieces]) => [
      id,
      [...pieces.values()].map(({ guise, thing, poses }) => ({
        guise,
        thing,
        track: trackOf(times, poses, tolerance),
      })),
    ]),
  )
}

function* posesOf(
  { time, project, outcomes, playing }: Moment,
  still: Pattern,
  guiseOf: (table: InstanceTable, row: number) => number,
): Generator<{ key: string; guise: number; thing: number; pose: Pose }> {
  const { id } = still
  const outcome = outcomes.find((o) => o.id === id)
  if (!outcome) return
  const { table, expanded, owner } = outcome
  const moving = playing.of(id)
  // Its place may change as well: poses are told in the axes that it has at rest.
  const then = project.patterns.find((p) => p.id === id)!
  const isElsewhere = then.place !== still.place
  let [before, piece] = [-1, 0]
  for (let k = 0; k < expanded.count; k++) {
    const own = owner ? owner[k] : k
    piece = own === before ? piece + 1 : 0
    before = own
    if (!expanded.isPresent(k)) continue
    const guise = guiseOf(expanded, k)
    const rest = expanded.placingOf(k)
    const moved = moving?.at(own, time) ?? RESTS
    const posed = moved === RESTS ? { ...rest, shown: true } : movedPose(table, own, rest, moved)
    const pose = isElsewhere ? { ...inPattern(still, inWorld(then, posed)), shown: posed.shown } : posed
    yield { key: `${table.keyOf(own)} ${piece} ${guise}`, guise, thing: expanded.thing[k], pose }
  }
}

const movedPose = (table: InstanceTable, own: number, rest: Placing, moved: typeof RESTS): Pose => ({
  ...movedPlacing(table.moveOf(own), rest, moved),
  shown: moved.shown,
})

/** Keys of poses at pictures; where it is not there it waits where it comes next, or last was. */
function trackOf(times: readonly number[], poses: readonly (Pose | undefined)[], tolerance: Tolerance): Track {
  const full: Pose[] = []
  let waiting = poses.find((pose) => pose !== undefined)!
  for (let n = times.length - 1, after = waiting; n >= 0; n--) full[n] = after = poses[n] ?? after
  const shownTimes: number[] = []
  const values: boolean[] = []
  for (const [n, time] of times.entries()) {
    const pose = poses[n]
    if (pose) waiting = pose
    else if (!poses.slice(n).some(Boolean)) full[n] = { ...waiting, shown: false }
    const shown = pose?.shown ?? false
    if (values.at(-1) === shown) continue
    shownTimes.push(time)
    values.push(shown)
  }
  return {
    ...straightened(times, full, tolerance),
    ...(values.includes(false) && { shown: { times: shownTimes, values } }),
  }
}
