import type { GoesByStanding } from '../layouts/definition'
import type { Standing } from '../spacing/standing'
import { type Facts, type Result, done, fact } from '../words'

/** By what copies are laid out and shaped. */
export interface ShapeWish {
  /** How the copies will stand in their slots; as they are dealt where it is absent. */
  readonly standing?: Standing | undefined
  /** So many copies at least and at the most come of a count that is worked out. */
  readonly least?: number | undefined
  readonly most?: number | undefined
  /** Whether it is to be told how the copies came to stand. */
  readonly watched?: boolean
}

interface Shaped {
  readonly standing: Standing | undefined
}
type Shape<S> = (wish: ShapeWish) => Result<S>

/** So often copies are laid out anew at the most until how they stand is how they were laid out for. */
const MOST_ROUNDS = 60
/** So many times more copies are tried, and so many more at the least, where more of them are smaller. */
const MOST_TRIES = 40
const LOOK_AHEAD = 3

/**
 * Lays copies out for how they will stand: by their sizes and turns, which steps and touch-ups give them only once they are
 * laid out. Where those do not lean on places, the second layout has it; otherwise the two are brought nearer to each other until
 * they agree. Where they never do, the copies are laid out as they were dealt, and that is said.
 *
 * @param by present where the layout goes by how copies stand; whether their number follows from it
 */
export function agreed<S extends Shaped>(
  by: GoesByStanding | undefined,
  shape: Shape<S>,
): Result<S & { readonly note: Facts }> {
  const first = shape({ watched: by !== undefined })
  // Where not even one fits as it is dealt, it may as it will stand.
  const begun = !first.ok && by?.counts ? shape({ watched: true, least: 1 }) : first
  if (!begun.ok) return first.ok ? begun : first
  const dealt = begun.value.standing
  if (!by || !dealt || dealt.count === 0) return first.ok ? done({ ...first.value, note: [] }) : first
  let found = settled(shape, dealt)
  if (!first.ok && !found?.ok) return first
  const rounds = found?.ok ? found.value.rounds : 0
  if (by.counts && found?.ok) found = withMore(shape, found.value.standing!)
  if (!found) {
    const again = shape({})
    if (!again.ok) return again
    const says = 'its gaps are kept as dealt: sizes and places come to no agreement'
    return done({ ...again.value, note: [fact('agreed', { words: says, tone: 'caution' })] })
  }
  if (!found.ok) return found
  const note = rounds > 2 ? [fact('agreed', 'sizes and places agree after ', { count: rounds }, ' rounds')] : []
  return done({ ...found.value, note })
}

/**
 * From one way of standing on to the one that brings itself about; undefined where none comes up. A count that is worked out can
 * swing between two, where the larger one makes copies so large that only the smaller fits: the smaller one is taken.
 */
function settled<S extends Shaped>(
  shape: Shape<S>,
  from: Standing,
  bounds: Pick<ShapeWish, 'least' | 'most'> = {},
): Result<S & { readonly rounds: number }> | undefined {
  let standing = from
  let { most } = bounds
  const counts = [from.count]
  /** The rounds until as many were placed as in the end: what comes after brings sizes and places together. */
  let counting = 0
  for (let rounds = 1; rounds <= MOST_ROUNDS; rounds++) {
    const came = shape({ ...bounds, standing, most, watched: true })
    if (!came.ok) return came
    const now = came.value.standing!
    if (now.agreesWith(standing)) return done({ ...came.value, rounds: rounds - counting })
    if (now.count !== standing.count) {
      if (counts.includes(now.count)) most = Math.min(most ?? Infinity, now.count, standing.count)
      counts.push(now.count)
      counting = rounds
    }
    standing = now
  }
  return undefined
}

/**
 * As many more copies as fit as they then stand, where they get smaller as there are more of them: so many more at once as have
 * fitted twice over, fewer where they have not, until neither one more fits nor two nor three.
 */
function withMore<S extends Shaped>(shape: Shape<S>, from: Standing): ReturnType<typeof settled<S>> {
  let standing = from
  let [step, ahead] = [1, 1]
  for (let tries = 0; tries < MOST_TRIES && ahead <= LOOK_AHEAD; tries++) {
    const wanted = standing.count + (step > 1 ? step : ahead)
    // Just so many first, as they then stand; do they fit?
    const found = settled(shape, standing, { least: wanted, most: wanted })
    const fits = found?.ok ? shape({ standing: found.value.standing!, most: wanted, watched: true }) : undefined
    if (fits?.ok && fits.value.standing!.count === wanted) {
      standing = fits.value.standing!
      ;[step, ahead] = [2 * step, 1]
    } else if (found?.ok && found.value.standing!.beginsAs(standing)) break
    else if (step > 1) step = Math.floor(step / 2)
    else ahead++
  }
  // What was tried last has been written over what was found.
  return settled(shape, standing, { most: standing.count })
}
