import { produce } from 'immer'
import { Evaluator, type PatternOutcome } from '../evaluate'
import { followersOf } from '../evaluation/followers'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import type { MeshLibrary } from '../parts/partMesh'
import { knowledge } from '../sentences/knowledge'
import { type PatternNumber, patternNumbers } from '../sentences/patternNumbers'
import type { ValueThen } from './definition'
import { changesInTime } from './changing'
import { movementDefinitionOf } from './index'
import { Playing } from './playing'
import { Smoothing } from './smoothing'

/** A project as it is at one moment of its motion. */
export interface Moment {
  /** In seconds. */
  readonly time: number
  /** The document in which every number that changes is as it is then. */
  readonly project: Project
  /** Valid until the next moment is asked for: tables are used again. */
  readonly outcomes: readonly PatternOutcome[]
  /** How its copies are moved on top of that. */
  readonly playing: Playing
}

/** The numbers of a pattern that change, as they are at a time, in the order in which its motion says them. */
const valuesAt = (pattern: Pattern, time: number): ValueThen[] =>
  (pattern.motion ?? []).flatMap((movement) => movementDefinitionOf(movement).valueAt?.(movement, time) ?? [])

/** The patterns of which numbers change, and all that go with them. */
export function reachedIn(project: Project): Set<string> {
  const changed = project.patterns.filter((pattern) => changesInTime({ patterns: [pattern] })).map(({ id }) => id)
  return new Set(changed.flatMap((id) => [id, ...followersOf(project, id)]))
}

/** Sets a number as it is then, unless it would be refused. A seed lies between two: each copy goes from one chance to the other. */
function setThen(pattern: Pattern, number: PatternNumber, { to, between }: ValueThen): void {
  if (!number.writeSeed) {
    if (!number.check(to)) number.write(pattern, to)
    return
  }
  const [from, end] = [between.from, between.to].map(Math.round)
  if (number.check(from) || number.check(end)) return
  const share = Math.min(Math.max(between.share, 0), 1)
  number.writeSeed(pattern, share === 0 ? from : share === 1 ? end : { from, to: end, share })
}

/** A pattern with numbers as they are then; one that its sentences do not say any more, or would refuse, stays as it is. */
function withValues(pattern: Pattern, values: readonly ValueThen[], project: Project): Pattern {
  return values.reduce((before, value) => {
    const around = { knows: knowledge, project, unit: project.unit }
    const number = patternNumbers(before, around).find((n) => n.of === value.of && n.label === value.label)
    if (!number) return before
    return produce(before, (draft: Pattern) => setThen(draft, number, value))
  }, pattern)
}

/**
 * The moments of a project of which numbers change in time: that moment's document, worked out whole by the usual order, settling and
 * clearing included. A function of the time alone: jumping to a moment is playing up to it, to the bit.
 *
 * What a number does not reach is not worked out again from one moment to the next; nor from one document to the next, where both are given
 * the same evaluator.
 */
export class Moments {
  private readonly smoothing?: Smoothing
  private readonly before = new Map<string, { readonly key: string; readonly pattern: Pattern }>()

  constructor(
    private readonly project: Project,
    private readonly meshes: MeshLibrary,
    private readonly evaluator = new Evaluator(),
  ) {
    const most = project.patterns
      .flatMap(({ motion = [] }) => motion)
      .reduce((most, m) => Math.max(most, movementDefinitionOf(m).smooth?.(m) ?? 0), 0)
    if (most > 0) this.smoothing = new Smoothing(most, reachedIn(project))
  }

  /** The document at a time, in seconds. Patterns whose numbers stand as they stood at the moment before are the same objects. */
  projectAt(time: number): Project {
    const { project, before } = this
    if (!changesInTime(project)) return project
    const patterns = project.patterns.map((pattern) => {
      const values = valuesAt(pattern, time)
      if (values.length === 0) return pattern
      const key = values.map(({ between: { from, to, share } }) => `${from} ${to} ${share}`).join(' ')
      const known = before.get(pattern.id)
      if (known?.key === key) return known.pattern
      const made = withValues(pattern, values, project)
      before.set(pattern.id, { key, pattern: made })
      return made
    })
    return { ...project, patterns }
  }

  /** @throws never: what cannot be worked out at a moment says so in its outcome */
  at(time: number): Moment {
    const worked = (then: number): readonly PatternOutcome[] =>
      this.evaluator.evaluate(this.projectAt(then), this.meshes)
    const outcomes = this.smoothing?.at(time, this.project.clock.rate, worked) ?? worked(time)
    const project = this.projectAt(time)
    return { time, project, outcomes, playing: new Playing(project, outcomes) }
  }
}
