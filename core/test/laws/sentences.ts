import { expect } from 'vitest'
import { Evaluator, type PatternOutcome } from '../../src/evaluate'
import { definitionOf } from '../../src/layouts/index'
import type { Pattern } from '../../src/model/pattern'
import type { Project } from '../../src/model/project'
import type { LengthUnit } from '../../src/numbers/units'
import { bind, fieldsOf } from '../../src/sentences/bind'
import { movementDefinitionOf, usualClock } from '../../src/motion/index'
import { knowledge } from '../../src/sentences/knowledge'
import type { Surroundings, Template } from '../../src/sentences/nodes'
import { patternAsText, sentencesOf } from '../../src/sentences/patternText'
import { readText } from '../../src/sentences/read'
import { saidInto } from './said'
import { byTouchUps, stepDefinitionOf } from '../../src/steps/index'

/** Lengths as they are said in either family of units; the second is read of one pattern of a project, as reading is most of the work. */
const UNITS: readonly LengthUnit[] = ['mm', 'in']

/** A pattern of which nothing is said yet: as its layout and its steps begin. */
function unsaid(pattern: Pattern, steps: Pattern['steps']): Pattern {
  const { id, name, layout, motion } = pattern
  return {
    id,
    name,
    place: { move: [0, 0, 0], turn: [0, 0, 0] },
    deal: { kind: 'inTurn', parts: [] },
    layout: definitionOf(layout).begin({ width: 0.1, height: 0.1, depth: 0.1, unit: 'mm', host: '' }),
    steps: steps.map((step) => stepDefinitionOf(step).begin(step.id)),
    touchUps: {},
    ...(motion?.length && { motion: motion.map((m) => movementDefinitionOf(m).begin(m.id, 1, usualClock.length)) }),
    hidden: false,
  }
}

/** All that the sentences of a pattern say of it, without what they do not: what is worked out as it was typed before. */
export function saidOf(pattern: Pattern, around: Surroundings): Pattern {
  const { before, after } = byTouchUps(pattern.steps)
  const steps = [...before, ...after]
  const own = { ...pattern, steps, seed: undefined }
  const sentences = sentencesOf({ ...pattern, steps })
  return sentences.reduce(
    (base, { template, into }, i) =>
      saidInto<Pattern>(
        template as Template<unknown>,
        i === sentences.length - 1 ? { ...pattern, steps } : own,
        base,
        into,
        { ...around, pattern, isText: true },
      ),
    unsaid(pattern, steps),
  )
}

/** The lots that a deal at random draws, where they are not its parts. */
function withLots({ deal, layout }: Pattern): Partial<Pattern> {
  const deals = definitionOf(layout).deals?.(layout) ?? true
  if (!deals || deal.kind !== 'random' || !deal.lots) return {}
  const { lots, ...rest } = deal
  return { deal: lots.some((lot, i) => lot !== deal.parts[i]) ? deal : rest }
}

/** Its copies in numbers. */
const copiesOf = ({ table: t, problem }: PatternOutcome): unknown => ({
  problem,
  position: [...t.position.subarray(0, 3 * t.count)],
  quaternion: [...t.quaternion.subarray(0, 4 * t.count)],
  scale: [...t.scale.subarray(0, 3 * t.count)],
  thing: [...t.thing.subarray(0, t.count)],
  flags: [...t.flags.subarray(0, t.count)],
})

const refuses = (pattern: Pattern, around: Surroundings): boolean =>
  sentencesOf(pattern).some(({ template, into }) =>
    fieldsOf(bind(template as Template<unknown>, { root: pattern, into }, { ...around, pattern })).some(
      (field) =>
        (field.is === 'number' && field.state !== 'worked' && field.check(field.value) !== undefined) ||
        // A name that nothing carries is not resolved.
        (field.is === 'choice' && !field.options.some((o) => o.value === field.value)),
    ),
  )

const numberOf = ({ steps }: Pattern, of: string): string | number => {
  const at = steps.findIndex(({ id }) => id === of)
  return at < 0 ? of : at
}

/** Without what it is called by: ids and names of its own. */
const nameless = (pattern: Pattern): unknown => ({
  ...pattern,
  id: undefined,
  name: undefined,
  chances: undefined,
  steps: pattern.steps.map((step) => ({ ...step, id: undefined })),
  motion: pattern.motion?.map((movement) => ({
    ...movement,
    id: undefined,
    // A step is known by where it stands.
    ...('of' in movement && { of: numberOf(pattern, movement.of) }),
  })),
})

/**
 * A text is read back as what it says, to the bit, in either family of units; and in its place it makes the same copies: nothing that
 * matters is left unsaid.
 */
export function expectReadBack(doc: Project, outcomes: readonly PatternOutcome[]): void {
  for (const unit of UNITS) {
    const project = { ...doc, unit }
    const around: Surroundings = { knows: knowledge, project, unit }
    for (const pattern of unit === UNITS[0] ? doc.patterns : doc.patterns.slice(-1)) {
      let made = 0
      const text = patternAsText(pattern, { ...around, pattern })
      // What the fields themselves refuse is told, and not made.
      if (refuses(pattern, around)) continue
      const read = readText(text, { project, newId: (kind) => `${kind}-new-${++made}` })
      expect(read.marks.map((m) => [text.slice(m.at, m.end), m.says, text])).toEqual([])
      expect(read.patterns).toHaveLength(1)
      const said = { ...saidOf(pattern, around), ...withLots(pattern) }
      expect(nameless(read.patterns[0]), text).toEqual(nameless(said))
      // What cannot be placed, or places nothing, may say so for another reason.
      const at = doc.patterns.indexOf(pattern)
      if (unit !== UNITS[0] || outcomes[at].problem || outcomes[at].table.count === 0) continue
      const { id, group, was } = pattern
      const back = { ...read.patterns[0], id, group, was }
      const [now] = new Evaluator().evaluate({ ...doc, patterns: doc.patterns.with(at, back) }, new Map()).slice(at)
      expect(copiesOf(now), text).toEqual(copiesOf(outcomes[at]))
    }
  }
}
