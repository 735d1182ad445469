import { current, isDraft } from 'immer'
import { ownSize, setOwnSize } from '../asking/ownSize'
import { sourcesOf } from '../evaluation/mirrorSources'
import { definitionOf } from '../layouts/index'
import { type Pattern, pattern as patternSchema } from '../model/pattern'
import type { Project } from '../model/project'
import { thingsUsed } from '../model/references'
import { knowledge } from '../sentences/knowledge'
import { patternNumbers } from '../sentences/patternNumbers'
import { lengthened } from '../values/walk'
import type { Sentence } from '../words'

/** What of a pattern takes its sizes along with it: its steps, what was changed by hand, and how it moves. */
type Sizeable = Pick<Pattern, 'layout' | 'steps' | 'touchUps' | 'motion'>

/**
 * Why patterns cannot be sized as one; undefined where they can. A pattern is as large as its copies and what lies between them: what
 * it takes from something that stays as it is (the ground over which it spreads, the copies that it mirrors) would not go along.
 *
 * @param ids the patterns that are sized together
 */
export function cannotBeSized(project: Project, ids: readonly string[]): Sentence | undefined {
  for (const pattern of project.patterns.filter(({ id }) => ids.includes(id))) {
    const { name, layout } = pattern
    if (sourcesOf(pattern, project).some((s) => !ids.includes(s.pattern.id)))
      return [`${name} is as large as what it mirrors. Size that, or pick both.`]
    if (definitionOf(layout).needs === 'ground')
      return [`${name} spreads over a ground, which is not sized with it. Change its count or its distance instead.`]
    if ('outlines' in layout && layout.outlines === 'dealt')
      return [`${name} keeps its gaps between the parts as dealt. Let them hold as they stand first, then size it.`]
    const repeated = repeatedBy(project, pattern)
    if (repeated.some((id) => ids.includes(id)) && !repeats(project, pattern, ids))
      return [`${name} repeats a pattern that is sized with it, and other parts as well. Size one after the other.`]
  }
  return undefined
}

/** The patterns that one repeats. */
const repeatedBy = ({ patterns }: Project, pattern: Pattern): string[] => {
  const things = thingsUsed(pattern)
  return patterns.flatMap(({ id }) => (things.has(id) ? [id] : []))
}

/** Whether all copies of a pattern are patterns that are sized with it: then they come in the new size by themselves. */
function repeats(project: Project, pattern: Pattern, ids: readonly string[]): boolean {
  const things = thingsUsed(pattern)
  return things.size > 0 && [...things].every((id) => ids.includes(id) && project.patterns.some((p) => p.id === id))
}

/**
 * Makes patterns so many times as large, each about its own origin, in place: every length of their sentences, curves, outlines, spots,
 * touch-ups and movements, and the size of their copies. What is counted, turned or left to chance stays as it is, so that
 * each copy keeps its part, its seed and its touch-ups.
 *
 * @param factor more than 0
 */
export function sizePatterns(project: Project, ids: readonly string[], factor: number): void {
  const before = { ...project, patterns: [...project.patterns] }
  for (const pattern of project.patterns) {
    if (!ids.includes(pattern.id)) continue
    const hasSizes = !definitionOf(pattern.layout).images && !repeats(before, pattern, ids)
    const changes = changesSized(pattern, before, (own) => sizeOne(own, factor, hasSizes))
    sizeOne(pattern, factor, hasSizes)
    for (const write of changes) write(pattern)
  }
}

function sizeOne(pattern: Pattern, factor: number, hasSizes: boolean): void {
  const { layout, steps, touchUps, motion }: Sizeable = pattern
  Object.assign(
    pattern,
    lengthened(
      patternSchema.pick({ layout: true, steps: true, touchUps: true, motion: true }),
      { layout, steps, touchUps, ...(motion && { motion }) },
      factor,
    ),
  )
  if (hasSizes) setOwnSize(pattern, ownSize(pattern) * factor)
}

/**
 * What values of numbers that change in time become: each is put into the pattern, which is sized then, and read again.
 *
 * @returns what writes them into the sized pattern
 */
function changesSized(
  pattern: Pattern,
  project: Project,
  size: (pattern: Pattern) => void,
): ((pattern: Pattern) => void)[] {
  const { motion = [] } = pattern
  const plain = (): Pattern => structuredClone(isDraft(pattern) ? current(pattern) : pattern)
  return motion.flatMap((movement, i) => {
    if (!('keys' in movement)) return []
    const asSized = (value: number): number => {
      const own = plain()
      const around = { knows: knowledge, project, unit: project.unit }
      const number = patternNumbers(own, around).find((n) => n.of === movement.of && n.label === movement.value)
      if (!number) return value
      number.write(own, value)
      size(own)
      return number.read(own)
    }
    const now = [movement.from, ...movement.keys].map(({ value }) => asSized(value))
    return [
      (sized: Pattern) => {
        const own = sized.motion?.[i]
        if (!own || !('keys' in own)) return
        for (const [k, key] of [own.from, ...own.keys].entries()) key.value = now[k]
      },
    ]
  })
}
