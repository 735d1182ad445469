import { expect } from 'vitest'
import { Evaluator, type PatternOutcome, supportIn } from '../../src/evaluate'
import { inWorld } from '../../src/model/inWorld'
import type { Project } from '../../src/model/project'
import { intoPart } from '../../src/placing/intoPart'
import { outOfPart } from '../../src/placing/outOfPart'

/** The pieces of some patterns where they stand in the world, in an order that does not go by who places them. */
function pieces(doc: Project, outcomes: readonly PatternOutcome[], ids: readonly string[]): string[] {
  return doc.patterns
    .flatMap((pattern, i) => {
      const { expanded } = outcomes[i]
      if (!ids.includes(pattern.id)) return []
      return Array.from({ length: expanded.count }, (_, k) => k)
        .filter((k) => expanded.isPresent(k))
        .map((k) => {
          const { move, turn, size } = inWorld(pattern, expanded.placingOf(k))
          const part = doc.parts[expanded.thing[k]]
          const isTwin = expanded.isTwin(k) !== (part.shape.kind === 'twin')
          const of = part.shape.kind === 'twin' ? part.shape.of : part.id
          // Where its box stands tells place, turn and size at once, whichever four numbers say the turn.
          const [x, y, z, w] = turn
          const front = [2 * (x * z + w * y), 2 * (y * z - w * x), 1 - 2 * (x * x + y * y)]
          const up = [2 * (x * y - w * z), 1 - 2 * (x * x + z * z), 2 * (y * z + w * x)]
          return `${of} ${isTwin} ${[...move, ...front, ...up, ...size].map((n) => (Math.round(n * 1e6) / 1e6 + 0).toFixed(6)).join(' ')}`
        })
    })
    .sort()
}

/** Made into one part nothing moves, and taken apart again nothing moves either. */
export function expectAssembled(doc: Project, outcomes: readonly PatternOutcome[]): void {
  const ids = doc.patterns.map((p) => p.id)
  // The twin of an assembly is a part in one piece, so that its pieces cannot be counted against those of its copies.
  const isTurned = outcomes.some(({ copies }) =>
    Array.from({ length: copies.count }, (_, k) => k).some(
      (k) => copies.isTwin(k) && doc.parts[copies.thing[k]].shape.kind === 'assembly',
    ),
  )
  if (isTurned) return
  const worked = { project: doc, outcomes, supportOf: supportIn(doc, new Map(), outcomes) }
  let n = 0
  const names = { part: 'whole', pattern: 'wholes', name: 'Whole', newId: () => `new-${n++}` }
  const made = intoPart(worked, [{ is: 'patterns', ids }], names)
  if (!made.ok) return
  const was = pieces(doc, outcomes, ids)
  const came = new Evaluator().evaluate(made.value, new Map())
  expect(made.value.patterns.map((p) => p.id)).toEqual(['wholes'])
  expectNear(pieces(made.value, came, ['wholes']), was)
  const apart = outOfPart(made.value, new Map([['wholes', new Set(['0'])]]), new Map([['wholes', came[0]]]), {
    id: 'apart',
    name: 'Apart',
  })
  expect(apart.ok).toBe(true)
  if (!apart.ok) return
  const again = new Evaluator().evaluate(apart.value, new Map())
  expectNear(pieces(apart.value, again, ['wholes', 'apart']), was)
}

/** The same to a few millionths: what lies on the edge of rounding may be told either way, and sorted elsewhere then. */
function expectNear(now: readonly string[], was: readonly string[]): void {
  expect(now.length).toBe(was.length)
  const left = was.map((line) => line.split(' '))
  for (const line of now) {
    const [of, isTwin, ...numbers] = line.split(' ')
    const at = left.findIndex(
      ([thing, twin, ...others]) =>
        thing === of &&
        twin === isTwin &&
        others.every((other, i) => Math.abs(Number(other) - Number(numbers[i])) < 4e-6),
    )
    expect(at, line).toBeGreaterThanOrEqual(0)
    left.splice(at, 1)
  }
}
