import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { InstanceTable } from './instances'

describe('a table of copies', () => {
  it('names the things that its rows have, each once, as they come first; spare rows have none', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(6)), fc.nat(3), (things, spare) => {
        const table = new InstanceTable()
        table.reset(things.length + spare)
        table.thing.set(things)
        table.thing.fill(9, things.length)
        table.count = things.length
        expect(table.things()).toEqual([...new Set(things)])
      }),
    )
  })
})
