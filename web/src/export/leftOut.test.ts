import type { Forecast } from '@hilera/core/writers/definition'
import { describe, expect, it } from 'vitest'
import { leftOut } from './leftOut'

const report = (change: Partial<Forecast>): Forecast => ({
  bytes: 1000,
  copies: 10,
  meshes: 1,
  triangles: 12,
  emptyPlaces: 0,
  movedAcross: 0,
  leftOut: 0,
  twins: 0,
  hiddenPatterns: 0,
  hiddenCopies: 0,
  placeholders: 0,
  lights: 0,
  ...change,
})

describe('what a file leaves out', () => {
  it('is nothing where everything is written', () => {
    expect(leftOut(report({}))).toEqual([])
  })

  it('is told one by one, one and many', () => {
    expect(leftOut(report({ emptyPlaces: 1, placeholders: 2, movedAcross: 1 }))).toEqual([
      '1 place left empty',
      '1 that stands across a mirror instead',
      '2 placeholders',
    ])
    expect(leftOut(report({ leftOut: 3, hiddenPatterns: 2, hiddenCopies: 40 }))).toEqual([
      '3 that would overlap',
      '2 hidden patterns with 40 copies',
    ])
  })
})
