/** So much work is drawn in no time worth telling, and tells nothing of how fast the rest would be. */
const LITTLE = 60_000

/** How much can be drawn in a time, learnt from the pictures drawn so far. Work is counted in triangles and lines. */
export class Pace {
  /** Milliseconds for each. */
  private each: number | undefined

  /** A picture of so much work took so long. */
  took(work: number, milliseconds: number): void {
    if (work < LITTLE) return
    const now = milliseconds / work
    // One picture may have waited for something else: half of what was known stays.
    this.each = this.each === undefined ? now : (this.each + now) / 2
  }

  /** How long so much work would take; 0 while that is unknown. */
  forecast(work: number): number {
    return work < LITTLE ? 0 : (this.each ?? 0) * work
  }

  /** How much of some work can be drawn in a time: above 0, 1 where all of it can. Before anything is known a million are tried. */
  share(work: number, milliseconds: number): number {
    if (work < LITTLE) return 1
    const possible = this.each === undefined ? 1_000_000 : milliseconds / this.each
    return Math.min(1, Math.max(possible, LITTLE) / work)
  }
}
