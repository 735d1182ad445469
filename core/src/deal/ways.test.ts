import { deal as dealSchema } from './schema'
import { describe, expect, it } from 'vitest'
import { choiceOfDeal, dealAs, dealOptions, partsTaken, placeWords } from './ways'

describe('dealing in another way', () => {
  const lists = [['a'], ['a', 'b'], ['a', 'b', 'c'], ['a', 'b', 'a', 'c', 'd']]

  it.each(dealOptions.map((o) => [o.value]))(
    '%s is a deal that the document takes, whatever the list was',
    (choice) => {
      for (const parts of lists) {
        for (const before of dealOptions.map((o) => dealAs(o.value, { kind: 'inTurn', parts }))) {
          const made = dealAs(choice, before)
          expect(dealSchema.safeParse(made).success).toBe(true)
          expect(choiceOfDeal(made)).toBe(choice)
          const taken = partsTaken(made)
          if (taken !== undefined) expect(made.parts).toHaveLength(taken)
        }
      }
    },
  )

  it('keeps the parts in their order, and the variants', () => {
    expect(dealAs('ends', { kind: 'inTurn', parts: ['a', 'b', 'c'] }).parts).toEqual(['a', 'b', 'c'])
    expect(dealAs('ends', { kind: 'inTurn', parts: ['a', 'b'] }).parts).toEqual(['a', 'b', 'b'])
    expect(dealAs('random', { kind: 'inTurn', parts: ['a', 'b', 'a'], variants: 'random' })).toEqual({
      kind: 'random',
      parts: ['a', 'b'],
      weights: [1, 1],
      seed: 1,
      variants: 'random',
    })
  })

  it('names the places that are not simply the next', () => {
    const ends = dealAs('ends', { kind: 'inTurn', parts: ['a', 'b', 'c'] })
    expect([0, 1, 2].map((i) => placeWords(ends, i))).toEqual(['first', 'middle', 'last'])
    expect(placeWords(dealAs('row', ends), 0)).toBeUndefined()
  })
})
