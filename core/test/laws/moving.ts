import { expect } from 'vitest'
import type { PatternOutcome } from '../../src/evaluate'
import type { Project } from '../../src/model/project'
import { Playing } from '../../src/motion/playing'
import { movedPlacing } from '../../src/motion/standing'
import { RESTS } from '../../src/motion/state'
import { angleBetween, between, trackOf, usualTolerance } from '../../src/motion/tracks'
import { worked } from './laws'

const TIMES = [0, 0.4, 1.7, 3.3, 9]
/** So many copies of a pattern are followed. */
const FEW = 4

/**
 * Motion places nobody: without it everything stands where it does. It is a function of time alone; only who is there moves, by finite
 * numbers; after arriving everything rests, to the bit; keys lead back to it within the tolerance.
 */
export function expectMoving(doc: Project, outcomes: readonly PatternOutcome[]): void {
  if (!doc.patterns.some(({ motion }) => motion)) return
  const still = worked({ ...doc, patterns: doc.patterns.map((pattern) => ({ ...pattern, motion: [] })) })
  const [playing, fresh] = [new Playing(doc, outcomes), new Playing(doc, outcomes)]
  for (const [i, pattern] of doc.patterns.entries()) {
    const { table } = outcomes[i]
    expect(Array.from(table.position.subarray(0, 3 * table.count))).toEqual(
      Array.from(still[i].table.position.subarray(0, 3 * still[i].table.count)),
    )
    const moving = playing.of(pattern.id)
    if (!moving) continue
    for (const { row } of moving.bars) expect(table.isMirrored(row)).toBe(true)
    const isOnlyIn = pattern.motion?.every((m) => m.kind === 'arrive' && m.way === 'in')
    const step = Math.max(1, Math.floor(table.count / FEW))
    for (let row = 0; row < table.count; row += step) {
      const end = moving.turns(row).reduce((last, time) => Math.max(last, time), 0)
      if (isOnlyIn && playing.ownOf(pattern.id).every(({ ok }) => ok)) expect(moving.at(row, end)).toBe(RESTS)
      for (const time of TIMES) {
        const moved = moving.at(row, time)
        expect(fresh.of(pattern.id)!.at(row, time)).toEqual(moved)
        for (const n of [...moved.move, ...moved.turn, moved.size]) expect(Number.isFinite(n)).toBe(true)
        expect(moved.size).toBeGreaterThan(0)
        expect(Math.hypot(...moved.turn)).toBeCloseTo(1, 9)
      }
      expectKeys(moving, row, table.moveOf(row), table.placingOf(row))
    }
  }
}

function expectKeys(
  moving: NonNullable<ReturnType<Playing['of']>>,
  row: number,
  pivot: readonly [number, number, number],
  rest: Parameters<typeof movedPlacing>[1],
): void {
  const poseAt = (time: number) => {
    const moved = moving.at(row, time)
    return { ...movedPlacing(pivot, rest, moved), shown: moved.shown }
  }
  const LENGTH = 4
  // What turns a thousand times has a thousand keys: that is true, and takes long.
  if (moving.finest < 0.1) return
  const { times, placings } = trackOf(poseAt, LENGTH, moving.turns(row), moving.finest)
  for (const time of TIMES.filter((t) => t < LENGTH)) {
    const k = times.findIndex((t, n) => t <= time && times[n + 1] > time)
    if (moving.turns(row).some((t) => Math.abs(t - time) < 1e-3)) continue
    const share = (time - times[k]) / (times[k + 1] - times[k])
    const [a, b, meant] = [placings[k], placings[k + 1], poseAt(time)]
    const off = a.move.map((n, j) => n + (b.move[j] - n) * share - meant.move[j])
    // Twice: it was looked at other moments.
    expect(Math.hypot(...off)).toBeLessThan(2 * usualTolerance.place + 1e-9)
    expect(angleBetween(between(a.turn, b.turn, share), meant.turn)).toBeLessThan(2 * usualTolerance.angle + 1e-9)
  }
}
