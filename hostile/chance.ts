/** A stream of chances from a seed (splitmix32): the same case for the same seed on every machine. */
export class Chance {
  private state: number

  constructor(seed: number) {
    this.state = Math.imul(seed + 1, 0x9e3779b9) >>> 0
  }

  /** From 0 up to 1. */
  next(): number {
    this.state = (this.state + 0x9e3779b9) >>> 0
    let n = this.state
    n = Math.imul(n ^ (n >>> 16), 0x21f0aaad)
    n = Math.imul(n ^ (n >>> 15), 0x735a2d97)
    return ((n ^ (n >>> 15)) >>> 0) / 2 ** 32
  }

  whole(below: number): number {
    return Math.floor(this.next() * below)
  }

  pick<T>(list: readonly T[]): T {
    return list[this.whole(list.length)]
  }
}
