import { describe, expect, it } from 'vitest'
import { type Asked, ask } from '../../src/asking/ask'
import { Evaluator } from '../../src/evaluate'
import type { Pattern } from '../../src/model/pattern'
import type { Part } from '../../src/model/part'
import type { Ends } from '../../src/values/spacing'
import { aLine, aPattern, aProject, aRing, ball, box } from '../projects'

const INCH = 0.0254

/** What pays for a value that is wanted. */
function paid(layout: Pattern['layout'], part: Part, question: Asked): number {
  const pattern = aPattern(layout, [part.id])
  const evaluator = new Evaluator()
  const answer = ask(pattern, question, aProject([part], pattern), (p) => evaluator.evaluate(p, new Map()))
  if (!answer.ok) throw new Error(JSON.stringify(answer.says))
  return answer.paid
}

describe('handbook tables asked backwards', () => {
  it('C1: the circle on which n chords are 1 long, for n from 3 to 100', () => {
    // Machinery's Handbook, "Lengths of chords for spacing off the circumferences of circles": chord = D sin(180° ÷ n).
    for (let n = 3; n <= 100; n++) {
      const radius = paid(aRing({ count: n, radius: 1 }), ball('part', 1e-9), { want: 'chord', to: 1, by: 'Radius' })
      expect(Math.abs(radius * 2 * Math.sin(Math.PI / n) - 1), `${n}`).toBeLessThan(1e-12)
    }
  })

  it.each([
    [8, 16, 7],
    [12, 16, 10],
    [12, 24, 7],
    [8, 24, 5],
    [16, 16, 13],
  ])('L1: a wall of %i ft is what studs %i in on centre, %i of them, need', (feet, pitch, count) => {
    // Spacings of IRC table R602.3(5); a stud at both ends is common framing practice.
    const line = aLine({ hold: ['count', 'spacing'], count, spacing: 1, measure: 'pitch', edges: 'centres' })
    const room = paid(line, ball('stud', 1e-6), { want: 'pitch', to: pitch * INCH, by: 'Room' })
    expect(Math.abs(room / (12 * INCH) - feet)).toBeLessThan(1e-12)
  })

  it.each([
    [72, 1.5, 13, 3.75, INCH],
    [96, 1.5, 19, 3.375, INCH],
    [60, 1.25, 11, 46.25 / 12, INCH],
    [1800, 38, 13, 1306 / 14, 0.001],
    [2400, 41, 17, 1703 / 18, 0.001],
  ])(
    'L2: of a rail of %f and balusters %f wide, %i with %f clear: the rail, and how wide they may be',
    (rail, width, n, gap, unit) => {
      // IRC R312.1.3 (a 4 in sphere does not pass), Approved Document K (100 mm): an opening at either end too.
      const between: Ends = 'between'
      const ends = { measure: 'gap', ends: between, edges: 'outsides', spacing: gap * unit, count: n } as const
      const line = aLine({ ...ends, hold: ['count', 'spacing'] })
      expect(
        Math.abs(paid(line, box('baluster', width * unit), { want: 'gap', to: gap * unit, by: 'Room' }) / unit - rail),
      ).toBeLessThan(1e-9)
      const inRail = aLine({ ...ends, hold: ['count', 'room'], room: rail * unit })
      const size = paid(inRail, box('baluster', unit), { want: 'gap', to: gap * unit, by: 'size' })
      expect(Math.abs(size - width)).toBeLessThan(1e-9)
    },
  )

  it.each([
    ['both', 11, 100],
    ['between', 11, 1000 / 12],
    ['half', 11, 1000 / 11],
    ['both', 2, 1000],
    ['between', 2, 1000 / 3],
    ['half', 2, 500],
  ] as const)('L3: ends %s, %i of them %f apart need 1 000', (ends, count, pitch) => {
    const line = aLine({ hold: ['count', 'spacing'], count, spacing: 1, measure: 'pitch', edges: 'centres', ends })
    const room = paid(line, ball('post', 1e-6), { want: 'pitch', to: pitch / 1000, by: 'Room' })
    expect(Math.abs(room - 1)).toBeLessThan(1e-12)
  })
})
