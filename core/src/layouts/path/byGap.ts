import type { ArcLength } from '../../curves/arcLength'
import { MAX_COPIES } from '../../limits'
import { FIT, type SpacingAnswer, endWeights } from '../../spacing/solve'
import { type Result, done, refused } from '../../words'
import type { Neighbours } from './neighbours'
import { type Search, rising } from '../../numbers/rising'
import type { PathPlaces, PathQuestion } from './solve'

/** Gaps agree to this part of the whole length, and many of them together to a hundred times that. */
const EXACT = 1e-13

/** A distance that stays as it is for this part of the whole length does so for longer. */
const PLATEAU = 1e-6

/** Copies nearer than this along the way stand on one spot, in metres. */
const NO_STEP = 1e-12

/** So many walks are worth it for a figure that is only gone on with. */
const FEW_TRIES = 12

/** Copies laid along a contour with one gap, and where the interval that its end keeps ends. */
interface Laid {
  readonly lengths: Float64Array
  readonly end: number
  /** Whether two of them stand on one spot; then so do all that follow. */
  readonly isStuck: boolean
}

const onOneSpot = (gap: number): Result<never> =>
  refused(
    'A gap of ',
    { length: gap },
    ` would put neighbours on one spot: they ${gap < 0 ? 'overlap by less' : 'are as far apart'} even there. Type a wider one.`,
  )

/**
 * Places copies so that the nearest distance between the outlines of all neighbours is one and the same, by walking from
 * copy to copy: each stands at the first place, from where it would on a straight, that is so far from the one before. Bends,
 * corners and steps aside are in it, as every distance is measured between the copies as they stand there.
 *
 * Tried and dropped: spacing along the curve, made longer by what each pair lacked, again and again. It swings where the path
 * has corners, and needs a hundred rounds where it winds.
 *
 * The search begins from the same question answered by lengths along the curve. A sentence comes back where more would fit than
 * a pattern may place, or where neighbours would stand on one spot.
 */
export class GapWalk {
  private readonly from: number
  private readonly to: number
  /** What copies keep of the way for themselves, on a straight. */
  private readonly width: number

  constructor(
    private readonly question: PathQuestion,
    private readonly measure: ArcLength,
    private readonly neighbours: Neighbours,
    private readonly loop: boolean,
    private readonly along: SpacingAnswer,
  ) {
    this.from = question.insetStart
    this.to = measure.length - question.insetEnd
    this.width = along.count > 1 ? along.at(1) - along.at(0) - along.spacing : 0
  }

  solve(): Result<PathPlaces> {
    const { hold, spacing } = this.question
    if (hold === 'count') return this.even(this.along.count, this.along.spacing, 0)
    if (this.isOnOneSpot(spacing)) return onOneSpot(spacing)
    const count = this.mostThatFit(this.along.count, spacing)
    // Two of which one lies far from its pivot may keep the gap on one spot, and any number of them would fit: those on a straight do not
    // tell it where only one fits there.
    if (this.lay(count, spacing).isStuck) return onOneSpot(spacing)
    if (count > MAX_COPIES)
      return refused(
        'More than ',
        { count: MAX_COPIES },
        ' copies would stand on the curve, the most a pattern can place. Widen the gap.',
      )
    return this.placeLeftover(count)
  }

  /** The gap that lays as many copies as far as these; about that, where none does. */
  gapFor(lengths: Float64Array): number {
    const count = lengths.length
    const gaps = Array.from(lengths.subarray(1), (s, k) => this.neighbours.gap(k, count, lengths[k], s))
    const mean = gaps.reduce((a, b) => a + b, 0) / gaps.length
    const reach = lengths[count - 1] - lengths[0]
    const far = (laid: Laid): number => laid.lengths[count - 1] - laid.lengths[0] - reach
    return rising((gap) => far(this.lay(count, gap)), { ...this.near(mean), tries: FEW_TRIES }) ?? mean
  }

  /** Whether any two that follow each other keep a gap even where they stand in each other. */
  private isOnOneSpot(gap: number): boolean {
    const { from, along, neighbours } = this
    const pairs = Math.min(neighbours.period, along.count - 1)
    for (let k = 0; k < pairs; k++)
      if (this.next(k, along.count, from, gap, this.width + gap) - from <= NO_STEP) return true
    return false
  }

  private get room(): number {
    return this.to - this.from
  }

  /** Where a gap is looked for. */
  private near(guess: number): Search {
    const within = 100 * EXACT * this.measure.length
    return { guess, within, narrow: within / 10 }
  }

  private get slack(): number {
    return FIT * this.room
  }

  private done({ lengths }: Laid, spacing: number, leftover: number): Result<PathPlaces> {
    return done({ lengths, spacing: lengths.length > 1 ? spacing : NaN, leftover, room: this.room })
  }

  /** So many copies whose gaps take all of the room. */
  private even(count: number, guess: number, leftover: number): Result<PathPlaces> {
    const [before, after] = this.weights
    if (count - 1 + before + after === 0) return this.done(this.lay(1, 0), NaN, this.room)
    const gap = rising((g) => this.lay(count, g).end - this.to, this.near(guess))
    let laid = gap === undefined ? undefined : this.lay(count, gap)
    // At a corner the end may leap: then just before it does, so that the last gap is the wider one.
    if (laid && laid.end > this.to + this.slack) laid = this.lay(count, gap! - 100 * EXACT * this.measure.length)
    if (!laid || laid.lengths.some((s, k) => k > 0 && s - laid.lengths[k - 1] <= NO_STEP))
      return refused(
        { count },
        ' copies in ',
        { length: this.room },
        ' would stand on one spot. Lower the count or make the curve longer.',
      )
    // The far end is where it is asked to be, not a rounding beside it; but on a corner a copy is turned half-way, and may want more.
    if (after === 0 && this.neighbours.gap(count - 2, count, laid.lengths[count - 2], this.to) >= gap! - this.slack)
      laid.lengths[count - 1] = this.to
    return this.done(laid, gap!, leftover)
  }

  private get weights(): readonly [number, number] {
    return this.loop ? [0, 1] : endWeights[this.question.ends]
  }

  private placeLeftover(count: number): Result<PathPlaces> {
    const { leftover: place, spacing } = this.question
    const laid = this.lay(count, spacing)
    const rest = this.to - laid.end
    const leftover = rest <= this.slack ? 0 : rest
    if (leftover === 0) return this.done(laid, spacing, 0)
    if (place === 'widen' || place === 'tighten') {
      const more = this.clamped(place === 'tighten' ? count + 1 : count)
      const [before, after] = this.weights
      const even = more - 1 + before + after > 0 ? this.even(more, spacing, leftover) : undefined
      if (even?.ok) return even
    }
    if (place === 'extra' && count < (this.question.most ?? MAX_COPIES) && !this.loop)
      return this.done({ ...laid, lengths: Float64Array.of(...laid.lengths, this.to), end: this.to }, spacing, leftover)
    if (place !== 'both' && place !== 'start') return this.done(laid, spacing, leftover)
    // Moved on, the copies come to stand on other bends, so the rest at the end is another.
    const share = place === 'both' ? 2 : 1
    const shift = rising((by) => this.lay(count, spacing, by).end - this.to + (share - 1) * by, {
      ...this.near(leftover / share),
      least: 0,
    })
    return this.done(this.lay(count, spacing, shift ?? 0), spacing, leftover)
  }

  private clamped(count: number): number {
    const { least = 1, most = MAX_COPIES } = this.question
    return Math.max(Math.min(count, most), least)
  }

  /** As many copies as keep the gap, looked for from how many there would be on a straight. */
  private mostThatFit(guess: number, gap: number): number {
    const fits = (count: number): boolean => count <= 1 || this.lay(count, gap).end <= this.to + this.slack
    if (!this.neighbours.counted) return this.clamped(this.walkOut(gap, fits))
    let [most, above] = [1, guess]
    if (fits(guess)) {
      ;[most, above] = [guess, guess + 1]
      // Twice as many more each time, as long as they fit.
      for (let by = 1; above <= MAX_COPIES && fits(above); by *= 2) [most, above] = [above, above + by]
    }
    while (above - most > 1) {
      const middle = (most + above) >> 1
      if (fits(middle)) most = middle
      else above = middle
    }
    return this.clamped(most)
  }

  /** Where no copy depends on how many there are, one walk to the end finds them all. */
  private walkOut(gap: number, fits: (count: number) => boolean): number {
    const last = this.lay(MAX_COPIES + 1, gap).lengths.length
    for (let count = last; count > 1; count--) if (fits(count)) return count
    return 1
  }

  /** Lays copies one after another, as far as the room goes where they are more than fit. */
  private lay(count: number, gap: number, shift = 0): Laid {
    const [before, after] = this.weights
    const { from } = this
    // Where a copy is looked for follows from this walk alone: from where one found it before, it might find another on a bend.
    const pitch = Math.max(this.width + gap, 0)
    const lead = before === 0 ? 0 : before * (this.next(-1, count, from, gap, pitch) - from)
    const lengths = [from + shift + lead]
    const { period } = this.neighbours
    let isStuck = false
    const guess = (k: number): number => (k < period ? pitch : lengths[k - period + 1] - lengths[k - period])
    for (let k = 0; lengths.length < count; k++) {
      const next = this.next(k, count, lengths[k], gap, guess(k))
      // Far beyond the end there is nothing more to know than that it is.
      if (next > this.to + this.slack && count > MAX_COPIES) break
      lengths.push(next)
      // No more is to be known of copies that stand in each other.
      isStuck = next - lengths[k] <= NO_STEP
      while (isStuck && lengths.length < count) lengths.push(next)
    }
    const last = lengths[lengths.length - 1]
    const tail = after === 0 ? 0 : after * (this.next(lengths.length - 1, count, last, gap, pitch) - last)
    return { lengths: Float64Array.from(lengths), end: last + tail, isStuck }
  }

  /** The length at which the copy after one at a length keeps a gap from it. */
  private next(index: number, count: number, from: number, gap: number, guess: number): number {
    const within = EXACT * this.measure.length
    const off = (pitch: number): number => this.neighbours.gap(index, count, from, from + pitch) - gap
    const by = rising(off, { guess, least: 0, most: this.measure.length, within, narrow: within })
    // Where it is never reached, the place is far beyond everything.
    if (by === undefined) return from + 2 * this.measure.length
    // Round a corner the distance may stay as it is for a while: the place is where it begins to.
    let [low, high] = [by - PLATEAU * this.measure.length, by]
    if (low <= 0 || off(low) < -within) return from + by
    for (low = 0; high - low > within;) {
      const middle = (low + high) / 2
      if (off(middle) < -within) low = middle
      else high = middle
    }
    return from + high
  }
}
