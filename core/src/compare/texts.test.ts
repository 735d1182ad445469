import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyProject } from '../../test/laws/projects'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import { Evaluator } from '../evaluate'
import type { Project } from '../model/project'
import { type Said, compareTexts } from './texts'

const said = (project: Project): Said => ({
  project,
  outcomes: new Evaluator().evaluate(project, new Map()),
})
const row = (count: number): Project =>
  aProject(
    [box('tin', 0.05)],
    aPattern(aLine({ hold: ['count', 'spacing'], count }), ['tin'], { id: 'row', name: 'Row' }),
  )

describe('what the sentences say now', () => {
  it('only what differs, word by word', () => {
    expect(compareTexts(said(row(9)), said(row(9)))).toEqual([])
    const [told, ...more] = compareTexts(said(row(9)), said(row(10)))
    expect(more).toEqual([])
    expect(told).toMatchObject({ pattern: 'row', name: 'Row' })
    const only = (side: 'first' | 'second') => told.pieces.filter((p) => p.in === side).map((p) => p.text.trim())
    expect(only('first')).toContain('9')
    expect(only('second')).toContain('10')
  })

  it('a number is one word', () => {
    const gap = (spacing: number): Project =>
      aProject([box('tin', 0.05)], aPattern(aLine({ spacing }), ['tin'], { id: 'row', name: 'Row' }))
    const [{ pieces }] = compareTexts(said(gap(0.012)), said(gap(0.0127)))
    expect(pieces.filter((p) => p.in === 'first').map((p) => p.text)).toContain('12')
    expect(pieces.filter((p) => p.in === 'second').map((p) => p.text)).toContain('12.7')
  })

  it('a pattern that is only in one of them is told whole', () => {
    const [told] = compareTexts(said(aProject([box('tin', 0.05)])), said(row(9)))
    expect(told.pieces.every((p) => p.in === 'second')).toBe(true)
  })

  it('the pieces are the two texts, in any project', () => {
    fc.assert(
      fc.property(anyProject, anyProject, (one, other) => {
        const back = compareTexts(said(other), said(one))
        for (const { pattern, pieces } of compareTexts(said(one), said(other))) {
          const text = (side: 'first' | 'second', of = pieces): string =>
            of
              .filter((p) => p.in === 'both' || p.in === side)
              .map((p) => p.text)
              .join('')
          const turned = back.find((b) => b.pattern === pattern)!.pieces
          expect(text('first')).toBe(text('second', turned))
          expect(text('second')).toBe(text('first', turned))
        }
        expect(compareTexts(said(one), said(structuredClone(one)))).toEqual([])
      }),
      { numRuns: 15, endOnFailure: true },
    )
  })
})
