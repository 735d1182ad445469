import { expect } from 'vitest'
import type { PatternOutcome } from '../../src/evaluate'
import { giveMovementToGroup, takersOf } from '../../src/links/shared'
import { makeGroup } from '../../src/model/grouping'
import { inWorld } from '../../src/model/inWorld'
import type { Project } from '../../src/model/project'
import { Playing } from '../../src/motion/playing'
import { movements } from '../../src/motion/registry'
import { movedPlacing } from '../../src/motion/standing'
import { RESTS } from '../../src/motion/state'

const FROM: [number, number, number] = [0.5, -0.3, 2]

/**
 * One arrival for all of a group: its copies come in one row without a gap, all from one place of the world, and at last each stands as it
 * would without.
 */
export function expectTogether(doc: Project, outcomes: readonly PatternOutcome[]): void {
  const project = structuredClone(doc)
  for (const pattern of project.patterns) delete pattern.motion
  makeGroup(
    project,
    project.patterns.map((p) => p.id),
    'all',
    'All',
  )
  const arrival = movements.arrive.begin('together', 5, 5)
  giveMovementToGroup(project, 'all', {
    ...arrival,
    hold: ['apart', 'each'],
    begin: 1,
    apart: 1,
    each: 0.5,
    from: 'place',
    place: FROM,
    waits: true,
  })
  const playing = new Playing(project, outcomes)
  const begins: number[] = []
  for (const pattern of takersOf(project, 'all')) {
    if (pattern.hidden) continue
    const { table } = outcomes.find(({ id }) => id === pattern.id)!
    const moving = playing.of(pattern.id)!
    const bars = moving.bars.toSorted((a, b) => a.row - b.row)
    expect(bars.map(({ row }) => row)).toEqual(
      Array.from({ length: table.count }, (_, k) => k).filter((k) => table.isMirrored(k)),
    )
    begins.push(...bars.map(({ from }) => from))
    for (const { row, to } of bars.slice(0, 3)) {
      const rest = table.placingOf(row)
      const { move } = inWorld(pattern, movedPlacing(rest.move, rest, moving.at(row, 0)))
      for (const [i, n] of move.entries()) expect(n).toBeCloseTo(FROM[i], 6)
      expect(moving.at(row, to)).toBe(RESTS)
    }
  }
  expect(begins.toSorted((a, b) => a - b)).toEqual(begins.map((_, k) => 1 + k))
}
