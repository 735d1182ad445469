import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyProject } from '../../test/laws/projects'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import { Evaluator } from '../evaluate'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { type State, changes, compareCopies } from './copies'

const state = (project: Project): State => ({ project, outcomes: new Evaluator().evaluate(project, new Map()) })
const parts = [box('tin', 0.05), box('box', 0.05)]
const row = (change: Partial<Pattern> = {}): Project =>
  aProject(
    parts,
    aPattern(aLine({ hold: ['count', 'spacing'], count: 5, spacing: 0.1, measure: 'pitch' }), ['tin'], {
      id: 'row',
      name: 'Row',
      ...change,
    }),
  )

describe('two states of a project, copy by copy', () => {
  const told = (from: Project, to: Project) => {
    const { changed, unchanged } = compareCopies(state(from), state(to))
    return { ...Object.fromEntries(changes.map((c) => [c, changed[c].count])), unchanged }
  }
  const none = { added: 0, moved: 0, turned: 0, sized: 0, swapped: 0, coloured: 0, removed: 0 }

  it('counts what was added, moved, turned, sized, swapped, coloured and removed', () => {
    expect(told(row(), row())).toEqual({ ...none, unchanged: 5 })
    const touchUps = {
      '0': { move: [0.02, 0, 0] as [number, number, number] },
      '1': { turn: [0, 0.3, 0] as [number, number, number], size: [0.5, 1, 1] as [number, number, number] },
      '2': { part: 'box' },
      '3': { empty: true as const },
    }
    expect(told(row(), row({ touchUps }))).toEqual({
      ...none,
      moved: 1,
      turned: 1,
      sized: 1,
      swapped: 1,
      removed: 1,
      unchanged: 1,
    })
    expect(told(row({ touchUps }), row())).toMatchObject({ added: 1, removed: 0, moved: 1 })
    const red = { ...row(), parts: parts.map((part) => ({ ...part, look: { ...part.look, color: '#aa0000' } })) }
    expect(told(row(), red)).toEqual({ ...none, coloured: 5, unchanged: 0 })
    expect(told(row(), aProject(parts))).toEqual({ ...none, removed: 5, unchanged: 0 })
  })

  it('says how much at the most, and of which copy', () => {
    const layout = aLine({ hold: ['count', 'spacing'], count: 6, spacing: 0.11, measure: 'pitch' })
    const { changed } = compareCopies(state(row()), state(row({ layout })))
    expect(changed.moved).toMatchObject({ count: 4, where: { pattern: 'row', number: 5 } })
    expect(changed.moved.most).toBeCloseTo(0.04, 12)
    expect(changed.added).toMatchObject({ count: 1, where: { pattern: 'row', number: 6 } })
    expect([...changed.added.slots]).toEqual([['row', ['5']]])
    const sized = row({ touchUps: { '1': { size: [1.5, 1, 1] }, '2': { size: [0.5, 1, 1] } } })
    expect(compareCopies(state(row()), state(sized)).changed.sized).toMatchObject({ most: 0.5, where: { number: 3 } })
  })

  it('a state does not differ from itself, and what is added one way is removed the other, in any project', () => {
    fc.assert(
      fc.property(anyProject, anyProject, (one, other) => {
        const [a, b] = [state(one), state(other)]
        const self = compareCopies(a, state(structuredClone(one)))
        expect(changes.map((c) => self.changed[c].count)).toEqual(changes.map(() => 0))
        const [there, back] = [compareCopies(a, b), compareCopies(b, a)]
        expect(there.changed.added.count).toBe(back.changed.removed.count)
        expect(there.changed.removed.count).toBe(back.changed.added.count)
        for (const c of ['moved', 'turned', 'sized', 'swapped', 'coloured'] as const)
          expect(there.changed[c].count).toBe(back.changed[c].count)
        expect(there.unchanged).toBe(back.unchanged)
      }),
      { numRuns: 40, endOnFailure: true },
    )
  })
})
