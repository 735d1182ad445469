/** The second of two is to stand at least so far beyond the first. */
export interface Separation {
  readonly first: number
  readonly second: number
  readonly by: number
}

/** What is less than this, against the largest separation, is rounding. */
const ROUNDING = 1e-12
/** A thing that is held counts so many times as much as one that gives way. */
const HELD = 1e9

interface Link extends Separation {
  active: boolean
  /** It contradicts others, and is let go. */
  hopeless: boolean
  /** How hard it holds its two things apart; below 0 where it draws them together. */
  force: number
}

/** Things that touch in a chain and move as one. */
interface Block {
  members: number[]
  place: number
}

/**
 * Moves things along a line by as little as possible, Σ (x − x₀)² least of all, so that every pair keeps its separation: blocks
 * that touch are joined at the middle of what they want, and parted again where a link would draw instead of hold (Dwyer,
 * Marriott & Stuckey, Fast node overlap removal, Graph Drawing 2005). Where the order is a single line this is isotonic
 * regression.
 *
 * @param wanted where each would stand by itself
 * @param held 1 for those that stay
 * @returns where each stands; separations that contradict each other are missed
 *
 * @example leastMove(Float64Array.of(0, 0.5, 1), separations) // −0.5, 0.5, 1.5 where each pair keeps 1
 */
export function leastMove(wanted: Float64Array, separations: readonly Separation[], held?: Uint8Array): Float64Array {
  return new Chains(wanted, separations, held).solve()
}

class Chains {
  private readonly links: Link[]
  private readonly at: Link[][]
  private readonly block: Block[]
  private readonly offset: Float64Array
  private readonly weight: Float64Array
  private readonly slack: number

  constructor(
    private readonly wanted: Float64Array,
    separations: readonly Separation[],
    held?: Uint8Array,
  ) {
    this.links = separations.map((s) => ({ ...s, active: false, hopeless: false, force: 0 }))
    this.at = Array.from(wanted, () => [])
    for (const link of this.links) {
      this.at[link.first].push(link)
      this.at[link.second].push(link)
    }
    this.offset = new Float64Array(wanted.length)
    this.weight = Float64Array.from(wanted, (_, i) => (held?.[i] ? HELD : 1))
    this.block = Array.from(wanted, (place, i) => ({ members: [i], place }))
    this.slack = ROUNDING * separations.reduce((most, { by }) => Math.max(most, Math.abs(by)), 1e-9)
  }

  solve(): Float64Array {
    // Every turn lessens the sum or leaves it; a bound guards against going to and fro by rounding.
    for (let turn = 0; turn < 1000; turn++) {
      this.satisfy()
      if (!this.part()) break
    }
    return Float64Array.from(this.wanted, (_, i) => this.placeOf(i))
  }

  private placeOf(i: number): number {
    return this.block[i].place + this.offset[i]
  }

  /** Joins blocks until no separation is missed. */
  private satisfy(): void {
    for (let missed = true, turn = 0; missed && turn < 1000; turn++) {
      missed = false
      for (const link of this.links) {
        if (link.active || link.hopeless) continue
        const lack = link.by - (this.placeOf(link.second) - this.placeOf(link.first))
        if (lack <= this.slack) continue
        missed = true
        if (this.block[link.first] === this.block[link.second] && !this.loosen(link)) link.hopeless = true
        else this.join(link)
      }
    }
  }

  private join(link: Link): void {
    const [a, b] = [this.block[link.first], this.block[link.second]]
    const shift = this.offset[link.first] + link.by - this.offset[link.second]
    const [into, from, by] = a.members.length >= b.members.length ? [a, b, shift] : [b, a, -shift]
    for (const i of from.members) {
      this.offset[i] += by
      this.block[i] = into
      into.members.push(i)
    }
    link.active = true
    this.settle(into)
  }

  /** Puts a block where its members' wishes balance. */
  private settle(block: Block): void {
    let [sum, weight] = [0, 0]
    for (const i of block.members) {
      sum += this.weight[i] * (this.wanted[i] - this.offset[i])
      weight += this.weight[i]
    }
    block.place = sum / weight
  }

  /** Lets go of the weakest link between two things of one block that has to give; false where none can. */
  private loosen({ first, second }: Link): boolean {
    this.weigh(this.block[first])
    const path = this.between(first, second)
    let weakest: Link | undefined
    for (const { link, forward } of path) if (forward && (!weakest || link.force < weakest.force)) weakest = link
    if (!weakest) return false
    this.cut(weakest)
    return true
  }

  /** Parts blocks at links that draw; false where there are none. */
  private part(): boolean {
    let parted = false
    for (const block of new Set(this.block)) {
      this.weigh(block)
      const drawing = block.members
        .flatMap((i) => this.at[i].filter((l) => l.active && l.first === i))
        .reduce<Link | undefined>((least, l) => (l.force < (least?.force ?? -1e-9 * this.slack) ? l : least), undefined)
      if (!drawing) continue
      this.cut(drawing)
      parted = true
    }
    return parted
  }

  private cut(link: Link): void {
    link.active = false
    for (const end of [link.first, link.second]) {
      const members = this.walk(end).map(({ thing }) => thing)
      const block: Block = { members, place: 0 }
      for (const i of members) this.block[i] = block
      this.settle(block)
    }
  }

  /** The things of a block in an order in which each comes after the one that links it in. */
  private walk(start: number): { thing: number; from: number; link: Link | undefined }[] {
    const order: { thing: number; from: number; link: Link | undefined }[] = [
      { thing: start, from: -1, link: undefined },
    ]
    for (let n = 0; n < order.length; n++) {
      const { thing, from } = order[n]
      for (const link of this.at[thing]) {
        if (!link.active) continue
        const next = link.first === thing ? link.second : link.first
        if (next !== from) order.push({ thing: next, from: thing, link })
      }
    }
    return order
  }

  /** Works out how hard each link of a block holds: what everything beyond it wants, all told. */
  private weigh(block: Block): void {
    const order = this.walk(block.members[0])
    const pull = new Map<number, number>()
    for (let n = order.length - 1; n >= 0; n--) {
      const { thing, from, link } = order[n]
      const own = (pull.get(thing) ?? 0) + this.weight[thing] * (this.placeOf(thing) - this.wanted[thing])
      if (!link) continue
      link.force = link.second === thing ? own : -own
      pull.set(from, (pull.get(from) ?? 0) + own)
    }
  }

  /** The active links from one thing to another of its block, and whether each runs that way. */
  private between(first: number, second: number): { link: Link; forward: boolean }[] {
    const order = this.walk(first)
    const path: { link: Link; forward: boolean }[] = []
    let step = order.find(({ thing }) => thing === second)
    while (step?.link) {
      path.push({ link: step.link, forward: step.link.second === step.thing })
      const { from } = step
      step = order.find(({ thing }) => thing === from)
    }
    return path
  }
}
