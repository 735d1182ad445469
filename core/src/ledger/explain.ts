import type { PatternOutcome } from '../evaluation/outcome'
import { compose, inverse, toTurns } from '../geometry/rotation'
import type { Placing } from '../instances'
import { definitionOf } from '../layouts/index'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { inWorld } from '../model/inWorld'
import { type Step, byTouchUps, stepDefinitionOf } from '../steps/index'
import type { Vec3 } from '../values/values'

/** What one piece of a pattern's work did to a copy. In the world's axes. */
export interface Cause {
  readonly what: 'layout' | 'part' | 'step' | 'touch-up'
  /** "Fill", "Vary", "Touched up by hand". */
  readonly words: string
  readonly step?: string
  /** How far it moved it; the first says where it put it. Metres. */
  readonly move: Vec3
  /** What it was turned by, about across, up and deep; of the whole, the first and then each is done after it. Radians. */
  readonly turns: Vec3
  /** Factors by which it was sized. */
  readonly size: Vec3
}

/** Why a copy stands where it stands. */
export interface Explained {
  readonly causes: readonly Cause[]
  readonly stands: Placing
}

/**
 * Works out what each piece of a pattern's work did to a copy: the pattern is worked out with its layout alone, and again with each step
 * that follows, in their order. Moves add up to where the copy stands, turns and sizes compose, to rounding.
 *
 * A layout whose spacing goes by how copies stand at last (a gap between sized ones) is laid out anew each time: what a step moves
 * through it is told with the step. What did nothing to the copy is told too, with zeros.
 *
 * @param evaluate works a document out; its tables are read before it is called again
 * @returns undefined where there is no such copy
 * @example explained(project, 'sugar', '17', (doc) => evaluator.evaluate(doc, meshes))
 */
export function explained(
  project: Project,
  patternId: string,
  slot: string,
  evaluate: (project: Project) => readonly PatternOutcome[],
): Explained | undefined {
  const pattern = project.patterns.find((p) => p.id === patternId)
  if (!pattern) return undefined
  const standing = (change: Partial<Pattern>): Placing | undefined => {
    const other = { ...pattern, ...change }
    const doc = { ...project, patterns: project.patterns.map((p) => (p.id === patternId ? other : p)) }
    const table = evaluate(doc).find((o) => o.id === patternId)?.table
    const row = table ? table.rowOf(slot) : -1
    return table && row >= 0 ? inWorld(pattern, table.placingOf(row)) : undefined
  }
  const { before, after } = byTouchUps(pattern.steps)
  const bare: Partial<Pattern> = { steps: [], touchUps: {}, fits: undefined, plain: project.parts.map(({ id }) => id) }
  const causes: Cause[] = []
  // An image that a step makes is nowhere before it.
  let now: Placing | undefined
  const add = (what: Cause['what'], words: string, change: Partial<Pattern>, step?: string): void => {
    const next = standing({ ...bare, ...change })
    if (!next) return
    causes.push(causeOf(what, words, now, next, step))
    now = next
  }
  add('layout', definitionOf(pattern.layout).words, {})
  const own = { plain: pattern.plain }
  if (project.parts.some((part) => part.variation?.length)) add('part', 'Its part’s own variation', own)
  const done: Step[] = []
  for (const step of before) {
    done.push(step)
    add('step', stepDefinitionOf(step).words, { ...own, steps: [...done] }, step.id)
  }
  const touched = { ...own, touchUps: pattern.touchUps, fits: pattern.fits }
  if (pattern.touchUps[slot] || pattern.fits) add('touch-up', 'Touched up by hand', { ...touched, steps: [...done] })
  for (const step of after) {
    done.push(step)
    add('step', stepDefinitionOf(step).words, { ...touched, steps: [...done] }, step.id)
  }
  return now && { causes, stands: now }
}

const NOWHERE: Placing = { move: [0, 0, 0], turn: [0, 0, 0, 1], size: [1, 1, 1] }

function causeOf(what: Cause['what'], words: string, from: Placing = NOWHERE, to: Placing, step?: string): Cause {
  return {
    what,
    words,
    ...(step !== undefined && { step }),
    move: to.move.map((n, i) => n - from.move[i]) as Vec3,
    turns: toTurns(compose(to.turn, inverse(from.turn))),
    size: to.size.map((n, i) => n / from.size[i]) as Vec3,
  }
}
