import { describe, expect, it } from 'vitest'
import { aLine, aPath, aPattern, aProject, aRing, ball, box } from '../../test/projects'
import { Evaluator } from '../evaluate'
import type { Pattern } from '../model/pattern'
import type { Part } from '../model/part'
import { sentenceText } from '../numbers/format'
import { type Asked, type Answer, ask, payersOf, wantedOf } from './ask'

function asked(layout: Pattern['layout'], part: Part, question: Asked): Answer {
  const pattern = aPattern(layout, [part.id])
  const project = aProject([part], pattern)
  const evaluator = new Evaluator()
  return ask(pattern, question, project, (p) => evaluator.evaluate(p, new Map()))
}
const said = (answer: Answer): string => sentenceText(answer.says, 'mm').replaceAll('\u202f', ' ')

describe('asking a worked-out value', () => {
  it('the radius that gives 18 cups a gap of 12 mm: R = (d + gap) ÷ (2 sin 10°), held from then on', () => {
    const answer = asked(aRing({ count: 18, radius: 0.4 }), ball('cup', 0.08), { want: 'gap', to: 0.012, by: 'Radius' })
    expect(answer.ok && answer.paid).toBeCloseTo(0.092 / (2 * Math.sin(Math.PI / 18)), 9)
    expect(answer.ok && answer.pattern.layout).toMatchObject({ hold: ['count', 'spacing'], spacing: 0.012 })
    expect(said(answer)).toBe('The gap is 12 mm; the radius pays for it: 264.9 mm.')
  })

  it('the size that lets 40 fit into 3 m: 40 d + 39 gap = 3 m', () => {
    const line = aLine({ hold: ['count', 'spacing'], count: 40, spacing: 0.012, measure: 'gap', edges: 'outsides' })
    const answer = asked(line, box('tin', 0.119), { want: 'room', to: 3, by: 'size' })
    if (!answer.ok) throw new Error(said(answer))
    expect(answer.paid).toBeCloseTo((3 - 39 * 0.012) / 40 / 0.119, 12)
    expect(answer.came).toBeCloseTo(3, 12)
    expect(answer.pattern.steps).toMatchObject([{ kind: 'grade', what: 'size', by: 'all', first: answer.paid }])
  })

  it('the largest size of which 40 find room at a gap that is kept', () => {
    const line = aLine({ hold: ['spacing', 'room'], spacing: 0.012, room: 3, measure: 'gap', edges: 'outsides' })
    const answer = asked(line, box('tin', 0.119), { want: 'count', to: 40, by: 'size' })
    if (!answer.ok) throw new Error(said(answer))
    expect(answer.paid).toBeCloseTo((3 - 39 * 0.012) / 40 / 0.119, 8)
  })

  it('the angle through which 9 go with 12 mm between them', () => {
    const ring = aRing({ count: 9, radius: 0.4, sweep: { kind: 'arc', angle: 1, ends: 'both' } })
    const answer = asked(ring, ball('cup', 0.08), { want: 'gap', to: 0.012, by: 'Angle' })
    if (!answer.ok) throw new Error(said(answer))
    expect(Math.abs(answer.paid)).toBeCloseTo(8 * 2 * Math.asin(0.092 / 0.8), 9)
  })

  it('the circle on which a path has that pitch: r = n p ÷ 2π', () => {
    const path = aPath({ curve: { kind: 'arc', radius: 0.4, start: 0, angle: 2 * Math.PI }, count: 12, hold: 'count' })
    const answer = asked(path, ball('bead', 0.01), { want: 'pitch', to: 0.1, by: 'Radius' })
    expect(answer.ok && answer.paid).toBeCloseTo(1.2 / (2 * Math.PI), 9)
  })

  it('says that there is none, with the nearest, and that another number would not change it', () => {
    const ring = aRing({ count: 9, radius: 0.4, sweep: { kind: 'arc', angle: 1, ends: 'both' } })
    expect(said(asked(ring, ball('cup', 0.08), { want: 'chord', to: 1, by: 'Angle' }))).toMatch(
      /^The straight pitch cannot be 1 000 mm by the angle: the nearest that it comes to is 565.69 mm, at 720°/,
    )
    expect(said(asked(ring, ball('cup', 0.08), { want: 'gap', to: 0.012, by: 'Rise' }))).toContain('Another answer is')
    const line = aLine({ hold: ['count', 'spacing'], count: 5, spacing: 0.2, measure: 'pitch', edges: 'centres' })
    expect(said(asked(line, box('tin', 0.1), { want: 'room', to: 2, by: 'size' }))).toBe(
      'The room cannot be 2 000 mm by the size of the copies: it does not go by that. Choose another number that pays.',
    )
  })

  it('offers what there is: what comes out now, and everything but itself to pay', () => {
    const pattern = aPattern(aRing({ count: 9, radius: 0.4 }), ['cup'])
    const project = aProject([ball('cup', 0.08)], pattern)
    const [outcome] = new Evaluator().evaluate(project, new Map())
    expect(wantedOf(pattern, outcome).map((w) => w.key)).toEqual(['count', 'radius', 'gap', 'chord', 'arc'])
    const payers = payersOf(pattern, project, 'gap').map((p) => p.key)
    expect(payers).toEqual(expect.arrayContaining(['Count', 'Radius', 'Rise', 'size']))
    expect(payers).not.toContain('Spacing')
  })
})
