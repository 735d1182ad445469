import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { aPattern, aProject } from '../../test/projects'
import { Bodies } from '../clearing/bodies'
import { convexOf } from '../parts/convex'
import { findOverlaps } from '../clearing/overlaps'
import { Evaluator } from '../evaluate'
import type { Part } from '../model/part'
import { lengthUnits } from '../numbers/units'
import { boundsOfPart } from '../parts/support'
import { roundFigure, startFor } from './beginning'
import { definitionOf, type LayoutKind } from './index'
import { layouts } from './registry'

const inch = 0.0254

describe('a round figure', () => {
  it.each([
    [0.0238, 0.024],
    [0.02, 0.02],
    [0.1428, 0.15],
    [0.12, 0.12],
    [1.071, 1.1],
    [0, 0.001],
  ])('of %f m in millimetres is %f m', (length, round) => expect(roundFigure(length, 'mm')).toBe(round))

  it.each([
    [0.02, 7 / 8],
    [0.308, 14],
    [0.12, 5],
    [0.2, 8],
    [1.07, 48],
    [0.003, 1 / 8],
  ])('of %f m in inches is %f in', (length, round) => expect(roundFigure(length, 'in') / inch).toBeCloseTo(round, 9))
})

/** From a bead to a wardrobe. */
const extent = fc.integer({ min: 5, max: 2000 }).map((n) => n / 1000)

describe('a new layout', () => {
  it.each(['line', 'grid', 'ring', 'path', 'fill', 'spots'] satisfies LayoutKind[])(
    '(%s) leaves all of its copies free, whatever they measure',
    (kind) => {
      fc.assert(
        fc.property(extent, extent, extent, fc.constantFrom(...lengthUnits), (width, height, depth, unit) => {
          const part: Part = {
            id: 'case',
            name: 'Case',
            shape: { kind: 'box', width, height, depth },
            look: { color: '#3a6b5f', roughness: 0.6, metal: 0 },
          }
          const source = { parts: [part], meshes: new Map() }
          const start = startFor(boundsOfPart(part, source), unit)
          const project = aProject([part], aPattern(definitionOf({ kind }).begin(start), ['case']))
          const [{ table }] = new Evaluator().evaluate(project, new Map())
          expect(table.count).toBeGreaterThan(1)
          // As many as its sentence says.
          if (kind === 'fill') expect(table.count).toBe(layouts.fill.begin(start).count)
          const shape = convexOf(part, source)
          expect(findOverlaps(new Bodies(table, () => shape), 0)).toEqual([])
        }),
        { numRuns: 100 },
      )
    },
  )
})
