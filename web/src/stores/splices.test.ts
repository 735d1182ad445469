import fc from 'fast-check'
import { applyPatches, enablePatches, produceWithPatches } from 'immer'
import { expect, it } from 'vitest'
import { withSplices } from './splices'

enablePatches()

interface Item {
  readonly slot: number
  at: number
}
interface Doc {
  name: string
  items: Item[]
  others: Item[]
}
const start = (): Doc => ({
  name: 'D',
  items: Array.from({ length: 400 }, (_, slot) => ({ slot, at: slot })),
  others: Array.from({ length: 90 }, (_, slot) => ({ slot, at: 0 })),
})
const n = fc.nat(399)

const edits: ((doc: Doc, n: number) => void)[] = [
  ({ items }, n) => void items.splice(n, 1),
  ({ items }, n) => void items.splice(n, 0, { slot: 1000 + n, at: 7 }),
  ({ items }, n) => void (items[n % items.length].at = -n),
  ({ others }, n) => void others.splice(n % 40, 3),
  (doc) => void (doc.items = doc.items.filter(({ slot }) => slot % 3 !== 0)),
  (doc, n) => void (doc.name = `${n}`),
  ({ items }) => void items.reverse(),
]

it('patches with splices lead where the patches do, forth and back', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.nat(edits.length - 1), n), { maxLength: 4 }), (steps) => {
      const doc = start()
      const [next, patches, inverse] = produceWithPatches(doc, (draft) => {
        for (const [edit, at] of steps) edits[edit](draft, at)
      })
      expect(applyPatches(doc, withSplices(patches, doc, next))).toEqual(next)
      expect(applyPatches(next, withSplices(inverse, next, doc))).toEqual(doc)
    }),
  )
})

it('lists in lists that moved along are told as they were', () => {
  const doc = { lists: [start(), start(), start()] }
  const [next, patches, inverse] = produceWithPatches(doc, ({ lists }) => {
    lists[1].items.splice(5, 1)
    lists.splice(0, 1)
    lists[1].items.splice(7, 2)
  })
  expect(applyPatches(doc, withSplices(patches, doc, next))).toEqual(next)
  expect(applyPatches(next, withSplices(inverse, next, doc))).toEqual(doc)
})

it('lists of lists, put anew inside and out', () => {
  const run = (from: number): number[] => Array.from({ length: 50 }, (_, i) => from + i)
  const doc = { runs: Array.from({ length: 60 }, (_, i) => run(100 * i)) }
  const edits: ((draft: typeof doc) => void)[] = [
    ({ runs }) => void runs.splice(3, 1),
    ({ runs }) => void runs.splice(0, 0, run(-100)),
    ({ runs }) => void (runs[5] = runs[5].filter((n) => n !== 507)),
    (draft) => void (draft.runs = draft.runs.map((one) => one.slice(1))),
  ]
  for (const first of edits)
    for (const then of edits) {
      const [next, patches, inverse] = produceWithPatches(doc, (draft) => {
        first(draft)
        then(draft)
      })
      expect(applyPatches(doc, withSplices(patches, doc, next))).toEqual(next)
      expect(applyPatches(next, withSplices(inverse, next, doc))).toEqual(doc)
    }
})

it('one that goes from a long list is one patch, and one that comes', () => {
  const doc = start()
  const [next, patches, inverse] = produceWithPatches(doc, ({ items }) => void items.splice(3, 1))
  expect(patches.length).toBeGreaterThan(300)
  expect(withSplices(patches, doc, next)).toEqual([{ op: 'remove', path: ['items', 3] }])
  expect(withSplices(inverse, next, doc)).toEqual([{ op: 'add', path: ['items', 3], value: { slot: 3, at: 3 } }])
})

it('a list that is put anew with most of its entries is told by those that are not', () => {
  const doc = start()
  const [next, patches, inverse] = produceWithPatches(doc, (draft) => {
    draft.items = doc.items.filter(({ slot }) => slot !== 7)
  })
  expect(withSplices(patches, doc, next)).toEqual([{ op: 'remove', path: ['items', 7] }])
  expect(applyPatches(next, withSplices(inverse, next, doc))).toEqual(doc)
})
