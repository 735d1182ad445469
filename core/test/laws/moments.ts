import { expect } from 'vitest'
import type { PatternOutcome } from '../../src/evaluate'
import type { Project } from '../../src/model/project'
import { changesInTime } from '../../src/motion/changing'
import { Moments } from '../../src/motion/moments'
import { worked } from './laws'

const TIMES = [2.1, 0, 4.6, 0.7]

/**
 * A moment is a document of its own: what it comes to is what that document comes to by itself, whatever was asked before, and of it only
 * numbers differ. A document that says it changes nothing is itself at every moment.
 */
export function expectMoments(doc: Project): void {
  const moments = new Moments(doc, new Map())
  if (!changesInTime(doc)) return void expect(moments.projectAt(1)).toBe(doc)
  for (const time of TIMES) {
    const then = new Moments(doc, new Map()).projectAt(time)
    const { project, outcomes } = moments.at(time)
    expect(project).toEqual(then)
    expect(then.patterns.map(({ id, motion }) => [id, motion])).toEqual(
      doc.patterns.map(({ id, motion }) => [id, motion]),
    )
    const isSmooth = doc.patterns.some(({ motion = [] }) => motion.some((m) => 'smooth' in m && m.smooth))
    for (const [i, outcome] of worked(then).entries()) if (!isSmooth) expectSame(outcomes[i], outcome)
    for (const { table } of outcomes)
      for (const n of table.position.subarray(0, 3 * table.count)) expect(Number.isFinite(n)).toBe(true)
  }
}

function expectSame(one: PatternOutcome, other: PatternOutcome): void {
  expect([one.problem, one.table.count]).toEqual([other.problem, other.table.count])
  for (const key of ['position', 'quaternion', 'scale'] as const) {
    const width = key === 'quaternion' ? 4 : 3
    const of = ({ table }: PatternOutcome): number[] => [...table[key].subarray(0, width * table.count)]
    expect(of(one)).toEqual(of(other))
  }
}
