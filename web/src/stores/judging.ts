import type { Project } from '@hilera/core/model/project'
import type { Problem } from '@hilera/core/words'
import type { Change } from './history'

/** A state of the document that is being worked out. */
export interface Asked {
  readonly project: Project
  /** How many steps of undo led there, and which changes had been made by then. */
  readonly depth: number
  readonly serial: number
  /** The state of the gesture under way. */
  readonly latest: Change | undefined
}

/** What is known of the last state that was taken. */
interface Accepted extends Asked {
  readonly problems: ReadonlyMap<string, Problem>
}

/**
 * Whether changes are taken: one that makes a pattern which it touches impossible to place is taken back, with the sentence
 * why, before it is ever drawn. Who makes a change waits here for what comes of it. As long as nobody works the document out
 * every change is taken.
 */
export class Judging {
  #judged = false
  #serial = 0
  #accepted: Accepted | undefined
  #waiting: { readonly serial: number; readonly answer: (problem: Problem | undefined) => void }[] = []

  /** Says that changes will be judged from now on. */
  begin(): void {
    this.#judged = true
  }

  /** Another document has been opened: who waits has nothing to wait for. */
  reset(): void {
    this.#accepted = undefined
    this.changed()
    for (const { answer } of this.#waiting.splice(0)) answer(undefined)
  }

  /** The document is another one than it was, without anyone waiting for what comes of it. */
  changed(): void {
    this.#serial++
  }

  /** What comes of the change that is just being made. */
  verdict(): Promise<Problem | undefined> {
    this.changed()
    if (!this.#judged) return Promise.resolve(undefined)
    const serial = this.#serial
    return new Promise((answer) => this.#waiting.push({ serial, answer }))
  }

  ask(project: Project, depth: number, latest: Change | undefined): Asked {
    return { project, depth, serial: this.#serial, latest }
  }

  get isAccepted(): boolean {
    return !this.#judged || this.#accepted?.serial === this.#serial
  }

  /**
   * Takes a state of the document, or has it taken back.
   *
   * @param revert goes back to the state that was taken last; false where nothing leads there
   * @returns whether it was taken back
   */
  judge(asked: Asked, problems: ReadonlyMap<string, Problem>, revert: (taken: Asked) => boolean): boolean {
    const taken = this.#accepted
    const problem = taken && broken(taken, asked.project, problems)
    const answered = problem ? this.#waiting : this.#waiting.filter((w) => w.serial <= asked.serial)
    this.#waiting = this.#waiting.filter((w) => !answered.includes(w))
    const reverted = problem !== undefined && revert(taken!)
    if (!reverted) this.#accepted = { ...asked, problems }
    for (const { answer } of answered) answer(reverted ? problem : undefined)
    return reverted
  }
}

/** The first pattern that could be placed before and cannot be any more, though it was changed itself. */
function broken(before: Accepted, after: Project, problems: ReadonlyMap<string, Problem>): Problem | undefined {
  for (const pattern of after.patterns) {
    const problem = problems.get(pattern.id)
    if (!problem || before.problems.has(pattern.id)) continue
    if (before.project.patterns.find((p) => p.id === pattern.id) !== pattern) return problem
  }
  return undefined
}
