/** How long one piece of work took in an evaluation. */
export interface WorkTime {
  readonly pattern: string
  /** A step's id; laying out where it is absent. */
  readonly step?: string
  readonly milliseconds: number
}

/** Measures the work of one evaluation. What comes of it does not depend on it. */
export class Times {
  readonly all: WorkTime[] = []

  measure<T>(pattern: string, step: string | undefined, work: () => T): T {
    const start = performance.now()
    const made = work()
    this.all.push({ pattern, ...(step !== undefined && { step }), milliseconds: performance.now() - start })
    return made
  }
}
