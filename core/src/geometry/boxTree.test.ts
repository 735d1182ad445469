import fc from 'fast-check'
import { expect, it } from 'vitest'
import { boxTreeOf, visitAlong, visitPairs } from './boxTree'

const n = fc.double({ min: -5, max: 5, noNaN: true })
const box = fc.tuple(n, n, n, fc.double({ min: 0, max: 1, noNaN: true }))
const flat = (all: readonly (readonly [number, number, number, number])[]): Float64Array =>
  Float64Array.from(all.flatMap(([x, y, z, s]) => [x, y, z, x + s, y + s, z + s]))

/** Where a ray enters a box, by slabs (Kay & Kajiya, SIGGRAPH 1986). */
function enters(b: ArrayLike<number>, o: readonly number[], d: readonly number[]): number {
  let [from, to] = [0, Infinity]
  for (let a = 0; a < 3; a++) {
    if (d[a] === 0) {
      if (o[a] < b[a] || o[a] > b[3 + a]) return Infinity
      continue
    }
    const [p, q] = [(b[a] - o[a]) / d[a], (b[3 + a] - o[a]) / d[a]]
    from = Math.max(from, Math.min(p, q))
    to = Math.min(to, Math.max(p, q))
  }
  return from <= to ? from : Infinity
}

it('finds the nearest of all boxes that a ray meets', () => {
  fc.assert(
    fc.property(fc.array(box, { maxLength: 60 }), fc.tuple(n, n, n), fc.tuple(n, n, n), (all, origin, direction) => {
      fc.pre(Math.hypot(...direction) > 1e-3)
      const boxes = flat(all)
      const tree = boxTreeOf(boxes)
      expect([...tree.order].sort((a, b) => a - b)).toEqual(all.map((_, i) => i))
      let best = Infinity
      visitAlong(tree, origin, direction, (item) => {
        const at = enters(boxes.subarray(6 * item, 6 * item + 6), origin, direction)
        best = Math.min(best, at)
        return at
      })
      const expected = all.reduce(
        (least, _, i) => Math.min(least, enters(boxes.subarray(6 * i, 6 * i + 6), origin, direction)),
        Infinity,
      )
      expect(best).toBe(expected)
    }),
  )
})

it('does not look at what the ray passes by', () => {
  const grid = Array.from({ length: 1024 }, (_, k) => [k % 32, 0, k >> 5, 0.5] as [number, number, number, number])
  let looked = 0
  visitAlong(boxTreeOf(flat(grid)), [7.2, 3, 9.2], [0, -1, 0], () => (looked++, Infinity))
  expect(looked).toBeLessThanOrEqual(4)
})

it('boxes on one place, and along a face, are found as well', () => {
  const same = boxTreeOf(flat(Array.from({ length: 40 }, () => [0, 0, 0, 1])))
  let met = 0
  visitAlong(same, [0.5, 0.5, -3], [0, 0, 1], () => (met++, Infinity))
  expect(met).toBe(40)
  const one = boxTreeOf(flat([[0, 0, 0, 1]]))
  let found = false
  visitAlong(one, [0, 0.5, -1], [0, 0, 1], () => ((found = true), 0))
  expect(found).toBe(true)
})

it('finds each pair of boxes that share a place, once', () => {
  fc.assert(
    fc.property(fc.array(box, { maxLength: 60 }), (all) => {
      const boxes = flat(all)
      const found: string[] = []
      visitPairs(boxTreeOf(boxes), boxes, (one, other) => found.push(`${Math.min(one, other)} ${Math.max(one, other)}`))
      const expected = all.flatMap((_, i) =>
        all.flatMap((_, j) =>
          j > i &&
          [0, 1, 2].every((a) => boxes[6 * i + a] <= boxes[6 * j + 3 + a] && boxes[6 * j + a] <= boxes[6 * i + 3 + a])
            ? [`${i} ${j}`]
            : [],
        ),
      )
      expect(found.sort()).toEqual(expected.sort())
    }),
  )
})
