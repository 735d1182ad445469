import { casaNispero } from '@hilera/demo/casaNispero'
import { Evaluator } from '@hilera/core/evaluate'
import type { Layout, LayoutKind } from '@hilera/core/layouts/index'
import { describe, expect, it } from 'vitest'
import { newLayouts } from './newLayouts'
import { changeCount, changeSpacing } from './nudges'

const start = { width: 0.119, depth: 0.119, host: 'shelf' }

/** A layout of the demo's tins as it comes out, before and after an edit. */
function laid(layout: Layout) {
  const demo = casaNispero()
  const project = { ...demo, patterns: [{ ...demo.patterns[0], layout }, ...demo.patterns.slice(1)] }
  return new Evaluator().evaluate(project, new Map())[0]
}

describe('keys that change a layout', () => {
  it.each(['line', 'grid', 'ring', 'fill', 'path'] as LayoutKind[])('one copy more and one fewer of a %s', (kind) => {
    const layout = newLayouts[kind](start)!
    const before = laid(layout).table.count
    const grown = structuredClone(layout)
    changeCount(layout, laid(layout).laid, 1)!(grown)
    expect(laid(grown).table.count).toBe(kind === 'grid' ? before + 4 : before + 1)
    const back = structuredClone(grown)
    changeCount(grown, laid(grown).laid, -1)!(back)
    expect(laid(back).table.count).toBe(before)
  })

  it.each(['line', 'grid', 'ring'] as LayoutKind[])('a wider spacing of a %s', (kind) => {
    const layout = newLayouts[kind](start)!
    const wider = structuredClone(layout)
    changeSpacing(layout, laid(layout).laid, 0.001)!(wider)
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
    expect(changeCount(newLayouts.companion(start)!, { kind: 'companion', hosts: 3 }, 1)).toBeUndefined()
  })
})
