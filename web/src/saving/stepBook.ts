import type { Project } from '@hilera/core/model/project'
import type { NewSteps, Saved } from '@hilera/server/api'
import type { Change } from '../stores/history'
import type { Trail } from '../stores/document'

/** In characters of JSON: what more than this is given up, the oldest steps first, for it goes along with a save. */
const MOST = 4_000_000

const stepsOf = ({ past, future }: Trail): Change[] => [...past, ...future.toReversed()]

/** Knows which steps of a project are kept with it, and so which are new. */
export class StepBook {
  /** The state that was offered to be saved last, with what led there. */
  private noted: { readonly document: Project; readonly trail: Trail } | undefined
  private sending: readonly Change[] = []

  /** @param kept what is kept with the project, at which revision; undefined where nothing is known to be */
  constructor(private kept: { readonly revision: number; readonly steps: readonly Change[] } | undefined) {}

  /** A state is offered to be saved. */
  note(document: Project, trail: Trail | undefined): void {
    this.noted = trail && { document, trail }
  }

  /** What to send along with a state of the document; undefined where the way there is not known. */
  newSteps(document: Project): NewSteps | undefined {
    if (this.noted?.document !== document) return undefined
    const { trail } = this.noted
    const steps = stepsOf(trail)
    const known = this.kept?.steps ?? []
    let same = 0
    while (same < known.length && known[same] === steps[same]) same++
    let characters = 0
    let [from, after] = [same, this.kept?.revision]
    for (let i = steps.length - 1; i >= same; i--) {
      characters += JSON.stringify(steps[i]).length
      if (characters <= MOST) continue
      // What came before has nothing to stand on any more.
      ;[from, after] = [i + 1, undefined]
      break
    }
    this.sending = steps
    return {
      ...(after !== undefined && { after }),
      from: trail.first + from,
      steps: steps.slice(from),
      done: trail.first + trail.past.length,
    }
  }

  /** What was sent last has been saved. */
  saved({ revision, keptSteps }: Saved): void {
    this.kept = keptSteps ? { revision, steps: this.sending } : undefined
  }
}
