/** A label's place on the screen, by its middle, in pixels. */
interface Label {
  readonly x: number
  readonly y: number
  readonly width: number
}

/** Labels that have found their room; the first ones win. */
export class Labels {
  private readonly taken: Label[] = []

  isFree({ x, y, width }: Label): boolean {
    return !this.taken.some((t) => Math.abs(t.x - x) < (t.width + width) / 2 + 2 && Math.abs(t.y - y) < 17)
  }

  /** Whether it has room; then it takes it. */
  take(label: Label): boolean {
    const free = this.isFree(label)
    if (free) this.put(label)
    return free
  }

  /** Takes room, free or not. */
  put(label: Label): void {
    this.taken.push(label)
  }
}

/** What stands on the stage, in pixels from its upper left corner. */
interface Foot {
  readonly x: number
  readonly y: number
  readonly words: string
  /** A knob without a stem. */
  readonly plain?: boolean | undefined
}

export interface PinPlace {
  /** How far its head is above its foot; below it where negative. */
  readonly stem: number
  /** Whether there was room for its word, which stands beyond the head. */
  readonly named: boolean
}

/**
 * Stems are tried in this order: longer ones where another pin is near, downward where the picture ends. A head keeps at most two
 * of a direction from another one (they are 28 apart, heads 26), so that seven in each are enough for four pins anywhere.
 */
const STEMS = [30, 58, 86, 114, -30, -58, -86, -114, 142, 170, 198, -142, -170, -198]
/** Heads nearer than this would be pressed by mistake: a finger's half, in pixels. */
const APART = 26
/** Within this a press takes hold of a head, in pixels. */
export const REACH = 14
/** So wide is a head, in pixels. */
const HEAD = 14
/** From the middle of a head to that of its word. */
export const WORD = 15

/**
 * Where the heads of pins are, so that none covers another and each has its word where that is possible: pins stand where their things
 * are, and those may be a pixel apart.
 *
 * @param size of the picture
 * @param labels those that stand already; the words of pins are added
 * @param dots of copies, which are pressed as well: no head covers one where that is possible
 */
export function pinPlaces(
  feet: readonly Foot[],
  size: { readonly width: number; readonly height: number },
  labels: Labels,
  dots: readonly { readonly x: number; readonly y: number }[] = [],
): PinPlace[] {
  const heads: { readonly x: number; readonly y: number }[] = []
  const isApart = (x: number, y: number): boolean => heads.every((head) => Math.hypot(head.x - x, head.y - y) >= APART)
  const isInside = (y: number): boolean => y >= 8 && y <= size.height - 8
  return feet.map(({ x, y, words, plain }) => {
    const wordAt = (stem: number): Label => ({ x, y: y - stem - Math.sign(stem) * WORD, width: words.length * 6 + 4 })
    const possible = plain ? [] : STEMS.filter((stem) => isApart(x, y - stem) && isInside(wordAt(stem).y))
    const headAt = (stem: number): Label => ({ x, y: y - stem, width: HEAD })
    const isLegible = (stem: number): boolean =>
      words === '' || (labels.isFree(wordAt(stem)) && labels.isFree(headAt(stem)))
    const coversNone = (stem: number): boolean => dots.every((dot) => Math.hypot(dot.x - x, dot.y - y + stem) >= REACH)
    const best = possible.find((s) => isLegible(s) && coversNone(s)) ?? possible.find(isLegible)
    const stem = plain ? 0 : (best ?? possible[0] ?? STEMS[0])
    const named = !plain && words !== '' && best !== undefined
    if (named) labels.put(wordAt(stem))
    if (!plain) labels.put(headAt(stem))
    heads.push({ x, y: y - stem })
    return { stem, named }
  })
}
