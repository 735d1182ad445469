import { type Evaluator, type PatternOutcome, thingsIn } from '@hilera/core/evaluate'
import type { Things } from '@hilera/core/layouts/definition'
import type { Project } from '@hilera/core/model/project'
import { type Leapt, Leaps } from '@hilera/core/motion/leaps'
import { Moments } from '@hilera/core/motion/moments'
import type { MeshLibrary } from '@hilera/core/parts/partMesh'
import type { MomentUpdate, Update } from './messages'

/** Brings outcomes into the form in which they go to the page. */
type Packed = (
  all: readonly PatternOutcome[],
  things: Things,
  of: Project,
  isKnown: (outcome: PatternOutcome) => boolean,
  start: number,
) => Update

/** The moments of one document as they go to the page, and what leaps between its pictures. */
export class MomentsSent {
  private readonly shown: Moments
  /** Beside those that are shown: whoever looks for leaps goes his own way through the pictures. */
  private readonly looked: Moments
  private looking: Leaps
  private sent = new Map<string, PatternOutcome>()

  constructor(
    private readonly project: Project,
    private readonly meshes: MeshLibrary,
    private readonly packed: Packed,
    /** What is worked out of one document is kept for the next. */
    { shown, looked }: Record<'shown' | 'looked', Evaluator>,
  ) {
    this.shown = new Moments(project, meshes, shown)
    this.looked = new Moments(project, meshes, looked)
    this.looking = new Leaps(meshes)
  }

  at(time: number): MomentUpdate {
    const { project, outcomes } = this.shown.at(time)
    const before = this.sent
    this.sent = new Map(outcomes.map((outcome) => [outcome.id, outcome]))
    const isKnown = (outcome: PatternOutcome): boolean => before.get(outcome.id) === outcome
    const things = thingsIn(project, this.meshes, outcomes)
    // The very object: what it hands over is known by it.
    return Object.assign(this.packed(outcomes, things, project, isKnown, performance.now()), { time, project })
  }

  leaps(picture: number): readonly Leapt[] {
    // Whoever begins again does not come from the last picture.
    if (picture === 0) this.looking = new Leaps(this.meshes)
    return this.looking.to(this.looked.at(picture / this.project.clock.rate))
  }
}
