import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import { patch, patched, patchesBetween } from './patches'
import type { Project } from './project'

const start = aProject(
  [box('tin', 0.1), box('jar', 0.2)],
  aPattern(aLine(), ['tin'], { id: 'a' }),
  aPattern(aLine(), ['jar'], { id: 'b' }),
)

/** Edits that leave what they do not touch as it is, like those of the interface. */
const edits: ((doc: Project, n: number) => Project)[] = [
  (doc, n) => ({ ...doc, name: `Name ${n}` }),
  (doc, n) => ({
    ...doc,
    parts: doc.parts.with(n % doc.parts.length, box(doc.parts[n % doc.parts.length].id, 0.1 + n)),
  }),
  (doc, n) => ({ ...doc, parts: [...doc.parts, box(`new-${doc.parts.length}-${n}`, 1)] }),
  (doc, n) => ({ ...doc, patterns: doc.patterns.toReversed().slice(0, 1 + (n % 2)) }),
  (doc, n) => ({
    ...doc,
    grounds: [
      ...doc.grounds,
      {
        id: `g-${n}-${doc.grounds.length}`,
        name: 'G',
        shape: { kind: 'level' },
        move: [0, n, 0],
        turn: 0,
        hidden: false,
      },
    ],
  }),
  (doc, n) => ({ ...doc, sets: [...doc.sets, { id: `set-${n}-${doc.sets.length}`, name: 'S', copies: { a: ['0'] } }] }),
]

describe('patches of a document', () => {
  it('lead from any state to any later one, through text', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(edits.length - 1), fc.nat(20)), { maxLength: 12 }), (steps) => {
        const end = steps.reduce((doc, [edit, n]) => edits[edit](doc, n), start)
        const sent = patch.array().parse(JSON.parse(JSON.stringify(patchesBetween(start, end))))
        expect(patched(start, sent)).toEqual(end)
      }),
    )
  })

  it('of long lists are as small as what changed in them', () => {
    const spots = Array.from({ length: 3000 }, (_, slot) => ({ slot, move: [slot, 0, 0] as [number, number, number] }))
    const clicked = aPattern({ kind: 'spots', spots }, ['tin'], { id: 'a', touchUps: { '7': { size: [2, 1, 1] } } })
    const before = { ...start, patterns: [clicked, start.patterns[1]] }
    const changes: ((p: typeof clicked) => typeof clicked)[] = [
      (p) => ({ ...p, layout: { kind: 'spots', spots: spots.toSpliced(1000, 1) } }),
      (p) => ({ ...p, layout: { kind: 'spots', spots: spots.toSpliced(5, 0, { slot: 9000, move: [1, 2, 3] }) } }),
      (p) => ({ ...p, layout: { kind: 'spots', spots: spots.with(2999, { slot: 2999, move: [0, 0, 1] }) } }),
      (p) => ({ ...p, name: 'Other', touchUps: {} }),
      (p) => ({ ...p, touchUps: { ...p.touchUps, '8': { size: [2, 2, 2] } }, hidden: true }),
      (p) => ({ ...p, layout: aLine() }),
    ]
    for (const edit of changes) {
      const end = { ...before, patterns: [edit(clicked), start.patterns[1]] }
      const sent = JSON.stringify(patchesBetween(before, end))
      expect(sent.length).toBeLessThan(1000)
      expect(patched(before, patch.array().parse(JSON.parse(sent)))).toEqual(end)
    }
    // All spots anew are sent as what they are.
    const all = {
      ...before,
      patterns: [aPattern({ kind: 'spots', spots: spots.map((s) => ({ ...s })) }, ['tin'], { id: 'a' })],
    }
    const sent = patch.array().parse(JSON.parse(JSON.stringify(patchesBetween(before, all))))
    expect(patched(before, sent)).toEqual(all)
  })

  it('inside an entry reach nothing that is not there', () => {
    const at = { field: 'patterns', at: 0 } as const
    const refused: readonly object[] = [
      { path: ['layout', 'nothing', 'inside'], value: 1 },
      { path: ['steps', 3], value: 1 },
      { path: ['steps'], from: 0, remove: 5, put: [] },
      { path: ['name'], from: 0, remove: 0, put: [] },
      { path: ['steps', 0], gone: true },
      { path: [], gone: true },
      { path: ['name'] },
    ]
    for (const inside of refused) {
      const read = patch.safeParse({ ...at, inside: [inside] })
      expect(read.success && patched(start, [read.data])).toBeFalsy()
    }
    expect(patch.safeParse({ ...at, inside: [{ path: ['__proto__', 'x'], value: 1 }] }).success).toBe(false)
  })

  it('hold only what changed', () => {
    const end = { ...start, parts: start.parts.with(1, box('jar', 0.3)) }
    expect(patchesBetween(start, end)).toEqual([{ field: 'parts', at: 1, value: box('jar', 0.3) }])
    expect(patchesBetween(start, start)).toEqual([])
  })

  it('reach no field that a document does not have', () => {
    for (const field of ['__proto__', 'schema', 'constructor'])
      expect(patch.safeParse({ field, value: 1 }).success).toBe(false)
    expect(patch.safeParse({ field: 'name', at: 0, value: 1 }).success).toBe(false)
    expect(patched(start, [{ field: 'parts', at: 2, value: box('lid', 1) }])).toBeUndefined()
  })
})
