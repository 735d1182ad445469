import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { startCurve } from '../src/curves/begin'
import { layoutKinds } from '../src/layouts/index'
import { layouts } from '../src/layouts/registry'
import type { Pattern } from '../src/model/pattern'
import { cannotBeSized, sizePatterns } from '../src/placing/sized'
import type { Movement } from '../src/motion/index'
import { knowledge } from '../src/sentences/knowledge'
import { patternNumbers } from '../src/sentences/patternNumbers'
import { stepDefinitionOf, stepKinds } from '../src/steps/index'
import { graded } from '../src/values/graded'
import { aLine, aPattern, aProject, begun, box } from './projects'

/** By which power of a factor a number of a sentence goes; what is no length stays. */
const POWERS: Readonly<Record<string, number>> = { length: 1, density: -2 }

/** A number of the layout that changes in time. */
const changing = (value: string, quantity: 'length' | 'count', from: number, to: number): Movement => ({
  kind: 'change',
  id: value.toLowerCase(),
  of: 'layout',
  value,
  quantity,
  from: { at: 0, value: from },
  keys: [{ at: 1, value: to, easing: 'evenly' }],
})

/** Every number of a pattern's sentences goes as its quantity says, where the pattern is made twice as large. */
function expectSized(pattern: Pattern): void {
  const around = (p: Pattern) => ({ knows: knowledge, project: aProject([box('tin', 0.1)], p), unit: 'mm' as const })
  const before = patternNumbers(pattern, around(pattern))
  const sized = produce(aProject([box('tin', 0.1)], pattern), (draft) => sizePatterns(draft, [pattern.id], 2))
  const after = new Map(
    patternNumbers(sized.patterns[0], around(sized.patterns[0])).map((n) => [`${n.of} ${n.label}`, n]),
  )
  for (const number of before) {
    // Where a pattern starts is told by what it is sized about; the size of its copies is a step of its own.
    if (number.of === 'place' || number.of === 'deal') continue
    const now = after.get(`${number.of} ${number.label}`)
    const by = 2 ** (POWERS[number.quantity] ?? 0)
    expect([number.words, now?.read(sized.patterns[0])]).toEqual([number.words, by * number.read(pattern)])
  }
}

describe('a pattern that is made larger', () => {
  it.each(layoutKinds)('takes every length of a layout (%s) along, and nothing else', (kind) => {
    const layout = begun(kind)
    expectSized(aPattern(layout, ['tin']))
  })

  const curves = ['smooth', 'hand', 'arc', 'ellipse', 'polygon', 'helix', 'spiral', 'catenary'] as const
  it.each(curves)('takes every length of a path along a curve (%s) along', (choice) => {
    const path = layouts.path.begin({ width: 0.1, height: 0.1, depth: 0.1, unit: 'mm' })
    expectSized(aPattern({ ...path, curve: startCurve(choice, path.curve) }, ['tin']))
  })

  it.each(stepKinds)('takes every length of the step %s along', (kind) => {
    const step = stepDefinitionOf({ kind }).begin('step')
    const whats = 'what' in step && (graded as readonly string[]).includes(step.what) ? graded : [undefined]
    for (const what of whats) {
      const one = what === undefined ? step : ({ ...step, what } as typeof step)
      expectSized(aPattern(aLine(), ['tin'], { steps: [one] }))
    }
  })

  it('is refused where what it rests on is not sized with it', () => {
    const says = (pattern: Pattern, ...others: Pattern[]): string =>
      JSON.stringify(cannotBeSized(aProject([box('tin', 0.1)], pattern, ...others), [pattern.id]))
    const host = aPattern(aLine(), ['tin'], { id: 'host', name: 'Host' })
    expect(says(aPattern(begun('mirror', 'host'), []), host)).toContain('as large as what it mirrors')
    expect(says(aPattern(begun('surface', 'host'), ['tin']))).toContain('spreads over a ground')
    expect(says(aPattern(aLine({ outlines: 'dealt' }), ['tin']))).toContain('the parts as dealt')
    const repeats = aPattern(aLine(), ['tin', 'host'])
    expect(JSON.stringify(cannotBeSized(aProject([box('tin', 0.1)], host, repeats), ['shelf', 'host']))).toContain(
      'repeats a pattern that is sized with it',
    )
    expect(cannotBeSized(aProject([box('tin', 0.1)], host), ['host'])).toBeUndefined()
  })

  it('takes values that change in time along, each as its number goes', () => {
    const pattern = aPattern(aLine({ spacing: 0.1 }), ['tin'], {
      motion: [changing('Spacing', 'length', 0.1, 0.25), changing('Count', 'count', 3, 9)],
    })
    const sized = produce(aProject([box('tin', 0.1)], pattern), (draft) => sizePatterns(draft, ['shelf'], 2))
    const values = sized.patterns[0].motion!.map((m) => 'keys' in m && [m.from.value, ...m.keys.map((k) => k.value)])
    expect(values).toEqual([
      [0.2, 0.5],
      [3, 9],
    ])
  })
})
