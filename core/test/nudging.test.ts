import { aLine, aPattern, aProject, box } from './projects'
import { Evaluator } from '../src/evaluate'
import { type Layout, type LayoutKind, definitionOf } from '../src/layouts/index'
import { describe, expect, it } from 'vitest'

const start = { width: 0.119, height: 0.119, depth: 0.119, unit: 'mm', host: 'shelf' } as const

/** A layout of tins as it comes out, before and after an edit. */
function laid(layout: Layout) {
  const shelf = aPattern(aLine(), ['tin'])
  const project = aProject([box('tin', 0.119)], aPattern(layout, ['tin'], { id: 'one', name: 'One' }), shelf)
  return new Evaluator().evaluate(project, new Map())[0]
}

describe('keys that change a layout', () => {
  it.each(['line', 'grid', 'ring', 'fill', 'path'] as LayoutKind[])('one copy more and one fewer of a %s', (kind) => {
    const layout = definitionOf({ kind }).begin(start)
    const before = laid(layout).table.count
    const grown = structuredClone(layout)
    definitionOf(layout).more!(layout, laid(layout).laid!, 1)!(grown)
    expect(laid(grown).table.count).toBe(kind === 'grid' ? before + 4 : before + 1)
    const back = structuredClone(grown)
    definitionOf(grown).more!(grown, laid(grown).laid!, -1)!(back)
    expect(laid(back).table.count).toBe(before)
  })

  it.each(['line', 'grid', 'ring'] as LayoutKind[])('a wider spacing of a %s', (kind) => {
    const layout = definitionOf({ kind }).begin(start)
    const wider = structuredClone(layout)
    definitionOf(layout).wider!(layout, laid(layout).laid!, 0.001)!(wider)
    const at = (l: Layout): number => {
      const out = laid(l).laid
      return out?.kind === 'grid'
        ? out.across.spacing
        : out?.kind === 'line' || out?.kind === 'ring'
          ? out.spacing
          : NaN
    }
    expect(at(wider) - at(layout)).toBeCloseTo(0.001, 8)
  })

  it('leaves alone what it does not know', () => {
    expect(definitionOf({ kind: 'companion' }).more).toBeUndefined()
  })
})
