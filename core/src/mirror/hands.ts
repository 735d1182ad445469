import type { ShapeAnswer } from '../values/reflection'
import type { SymmetryPlane } from '../shapes/symmetry'

/** What a mirror has to know of things. */
export interface MirrorThings {
  readonly idOf: (thing: number) => string
  /** Answers that a part brings with it: lettering stays readable, and lights have no hand. */
  readonly bringsAnswer: (thing: number) => ShapeAnswer | undefined
  /** Planes in which a thing is its own mirror image; none where it has a hand. */
  readonly planesOf: (thing: number, withGrain: boolean) => readonly SymmetryPlane[]
  /** A place that every symmetry of a thing leaves, about its pivot. */
  readonly middleOf: (thing: number) => readonly [number, number, number]
  /** Whether a turn about its middle brings a thing onto itself. */
  readonly turnsOntoItself: (thing: number, turn: readonly [number, number, number, number]) => boolean
  /** Whether grain or pictures lie on a thing, so that it matters how they run. */
  readonly isPatterned: (thing: number) => boolean
}

/** How a copy stands at its mirror image: in the part's twin, in the part itself, or in the part by one of its planes of symmetry. */
export type Hand =
  { readonly kind: 'twin' } | { readonly kind: 'kept' } | { readonly kind: 'symmetric'; readonly plane: SymmetryPlane }

/** The answers of one mirror: what becomes of each thing's shape. */
export class Hands {
  private readonly known = new Map<string, Hand>()

  constructor(
    private readonly shapes: ShapeAnswer,
    private readonly answers: Readonly<Record<string, ShapeAnswer>>,
    private readonly withGrain: boolean,
    private readonly things: MirrorThings,
    private readonly noted?: (id: string, hand: Hand) => void,
  ) {}

  answerOf(thing: number): ShapeAnswer {
    return this.answers[this.things.idOf(thing)] ?? this.things.bringsAnswer(thing) ?? this.shapes
  }

  /** The hand of a thing at a copy's present size: a plane of symmetry holds only while unequal sizes keep it. */
  of(thing: number, sx: number, sy: number, sz: number): Hand {
    const even = sx === sy && sy === sz
    const key = even ? `${thing}` : `${thing} ${sx} ${sy} ${sz}`
    let hand = this.known.get(key)
    if (!hand) {
      hand = this.find(thing, [sx, sy, sz])
      this.noted?.(this.things.idOf(thing), hand)
      // Copies whose sizes vary by chance would fill the memory.
      if (this.known.size < 10_000) this.known.set(key, hand)
    }
    return hand
  }

  private find(thing: number, size: readonly number[]): Hand {
    const answer = this.answerOf(thing)
    if (answer === 'mirrored') return { kind: 'twin' }
    if (answer === 'kept') return { kind: 'kept' }
    const planes = this.things.planesOf(thing, this.withGrain).filter(({ normal }) => keepsPlane(normal, size))
    if (planes.length === 0) return { kind: 'twin' }
    // The one that faces across most nearly turns the copy least.
    return {
      kind: 'symmetric',
      plane: planes.reduce((a, b) => (Math.abs(b.normal[0]) > Math.abs(a.normal[0]) + 1e-9 ? b : a)),
    }
  }
}

/** Whether a shape that is symmetric in a plane still is when it is sized along its axes: where the normal is one of the size's own directions. */
function keepsPlane(normal: readonly number[], size: readonly number[]): boolean {
  const along = [0, 1, 2].filter((i) => Math.abs(normal[i]) > 1e-9)
  return along.every((i) => Math.abs(size[i] - size[along[0]]) <= 1e-12 * size[i])
}
