import { describe, expect, it } from 'vitest'
import { definitionOf, layoutKinds } from '../layouts/index'
import { steps } from '../steps/registry'
import { stepDefinitionOf, stepKinds } from '../steps/index'
import { beginLike, lastingOf } from './lasting'

describe('what lasts from one to the next', () => {
  const { schema } = steps.thin
  const fresh = steps.thin.begin('new')

  it('is taken over where it fits, and nothing else of the last one', () => {
    expect(beginLike(schema, ['every'], fresh, { kind: 'thin', id: 'old', every: 3, from: 2, only: 'set' })).toEqual({
      ...fresh,
      every: 3,
    })
    for (const last of [undefined, null, 'every', { every: 2 }, { every: 'many' }, { every: 0 }, {}])
      expect(beginLike(schema, ['every'], fresh, last)).toBe(fresh)
  })

  it('of every step and layout as it begins is itself: what lasts are fields of its own, and none that name others', () => {
    const box = { width: 0.1, height: 0.1, depth: 0.1, unit: 'mm' } as const
    const begun = [
      ...stepKinds.map((kind) => [stepDefinitionOf({ kind }), stepDefinitionOf({ kind }).begin('s')] as const),
      ...layoutKinds.map((kind) => [definitionOf({ kind }), definitionOf({ kind }).begin(box)] as const),
    ]
    for (const [definition, own] of begun) {
      const fields = (definition.lasting ?? []) as (keyof typeof own)[]
      const kept = lastingOf(own, fields)
      expect(beginLike<typeof own>(definition.schema as never, fields, own, kept)).toBe(own)
      for (const key of ['kind', 'id', 'seed', 'from', 'on', 'host', 'over', 'curve', 'outline'])
        expect([own.kind, fields]).not.toEqual([own.kind, expect.arrayContaining([key])])
    }
    expect(begun.filter(([definition]) => definition.lasting).length).toBeGreaterThan(8)
  })
})
