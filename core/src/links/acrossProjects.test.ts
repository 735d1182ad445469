import { describe, expect, it } from 'vitest'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import { Evaluator } from '../evaluate'
import { emptyProject, type Project, readProject } from '../model/project'
import { plainReflection } from '../values/reflection'
import { bringIn, takenOut } from './acrossProjects'

const vary = {
  kind: 'vary' as const,
  id: 'v',
  what: 'turnUp' as const,
  low: -1,
  high: 1,
  spread: 'even' as const,
  axes: 'copy' as const,
  seed: 7,
  share: 1,
  strength: 1,
  only: 'set-1',
}
/** A shelf with bulbs on it in a group, one that has nothing to do with them, and parts of both. */
function shop(): Project {
  const shelf = aPattern(aLine(), ['tin'], { group: 'g', steps: [vary] })
  const bulbs = aPattern(
    { kind: 'companion', host: 'shelf', at: 'top', offset: [0, 0.1, 0], turn: [0, 0, 0], axes: 'copy', every: 1 },
    ['pair'],
    { id: 'bulbs', name: 'Bulbs' },
  )
  const pair = {
    ...box('pair', 0.1),
    shape: {
      kind: 'assembly' as const,
      members: [{ id: 'm1', part: 'bulb', move: [0, 0, 0], turn: [0, 0, 0], size: [1, 1, 1] }],
    },
  }
  const other = aPattern(aLine(), ['cup'], { id: 'other', name: 'Other' })
  const project = aProject([box('tin', 0.119), box('bulb', 0.03), pair as never, box('cup', 0.09)], shelf, bulbs, other)
  project.groups = [
    { id: 'top', name: 'Wall' },
    { id: 'g', name: 'Shelf', parent: 'top' },
  ]
  project.sets = [
    { id: 'set-1', name: 'Two', copies: { shelf: ['1', '2'], other: ['0'] } },
    { id: 'set-2', name: 'Else', copies: { other: ['1'] } },
  ]
  return project
}
let made = 0
const newId = (kind: string): string => `${kind}-new-${++made}`
const placesIn = (project: Project, ids: readonly string[]): number[][] =>
  new Evaluator()
    .evaluate(project, new Map())
    .filter(({ id }) => ids.includes(id))
    .map(({ table }) => [
      ...table.position.subarray(0, 3 * table.count),
      ...table.quaternion.subarray(0, 4 * table.count),
    ])

describe('patterns from one project to another', () => {
  it('take along what they cannot be without, and nothing else', () => {
    const out = takenOut(shop(), ['bulbs'])
    expect(readProject(structuredClone(out)).ok).toBe(true)
    expect(out.patterns.map((p) => p.id)).toEqual(['shelf', 'bulbs'])
    expect(out.parts.map((p) => p.id)).toEqual(['tin', 'bulb', 'pair'])
    expect(out.groups.map((g) => g.id)).toEqual(['top', 'g'])
    expect(out.sets).toEqual([{ id: 'set-1', name: 'Two', copies: { shelf: ['1', '2'] } }])
  })

  it('stand there as they stood here, what is left to chance too; all names are free', () => {
    const from = shop()
    const to = shop()
    const brought = bringIn(to, takenOut(from, ['shelf', 'bulbs']), newId)
    expect(readProject(structuredClone(to)).ok).toBe(true)
    expect(placesIn(to, brought.patterns)).toEqual(placesIn(from, ['shelf', 'bulbs']))
    expect(placesIn(to, brought.patterns).flat()).not.toHaveLength(0)
    expect(to.patterns.map((p) => p.name)).toEqual(['Shelf tins', 'Bulbs', 'Other', 'Shelf tins 2', 'Bulbs 2'])
    expect(to.groups.map((g) => g.name)).toEqual(['Wall', 'Shelf', 'Wall 2', 'Shelf 2'])
    const [shelf] = to.patterns.slice(3)
    expect(shelf.group).toBe(to.groups[3].id)
    expect(to.groups[3].parent).toBe(to.groups[2].id)
    const set = to.sets.find(({ id }) => 'only' in shelf.steps[0] && id === shelf.steps[0].only)
    expect(set?.copies).toEqual({ [shelf.id]: ['1', '2'] })
  })

  it('share parts that are the same here, inside assemblies too; a part that differs comes in under a number', () => {
    const to = shop()
    expect(bringIn(to, takenOut(shop(), ['bulbs']), newId)).toMatchObject({ parts: 0, joined: 3 })
    expect(to.parts).toHaveLength(4)
    const other = shop()
    other.parts[1].look = { ...other.parts[1].look, color: '#ffffff' }
    // With the bulb the pair that holds it is another one too.
    expect(bringIn(other, takenOut(shop(), ['bulbs']), newId)).toMatchObject({ parts: 2, joined: 1 })
    expect(other.parts.map((p) => p.name)).toEqual(['tin', 'bulb', 'pair', 'cup', 'bulb 2', 'pair 2'])
    const { shape } = other.parts[5]
    expect(shape.kind === 'assembly' && shape.members[0].part).toBe(other.parts[4].id)
  })

  it('take along what a mirror of a group mirrors', () => {
    const from = shop()
    const mirror = aPattern(
      { ...plainReflection('across'), kind: 'mirror', sources: [{ kind: 'group', id: 'top' }] },
      ['tin'],
      { id: 'images', name: 'Images' },
    )
    from.patterns.push({ ...mirror, deal: { kind: 'inTurn', parts: [] } })
    expect(takenOut(from, ['images']).patterns.map((p) => p.id)).toEqual(['shelf', 'images'])
    const to = emptyProject('Empty')
    const { patterns } = bringIn(to, takenOut(from, ['images']), newId)
    expect(placesIn(to, patterns)).toEqual(placesIn(from, ['shelf', 'images']))
  })

  it('take along the mirror that has moved their host across, so that what goes with it stands where it stood', () => {
    const from = shop()
    const mirror = aPattern(
      { ...plainReflection('across'), kind: 'mirror', sources: [{ kind: 'pattern', id: 'shelf' }], keep: 'across' },
      ['tin'],
      { id: 'images', name: 'Images' },
    )
    from.patterns.push({ ...mirror, deal: { kind: 'inTurn', parts: [] } })
    const out = takenOut(from, ['bulbs'])
    expect(out.patterns.map((p) => p.id)).toEqual(['shelf', 'bulbs', 'images'])
    const to = emptyProject('Empty')
    const { patterns } = bringIn(to, out, newId)
    expect(placesIn(to, patterns)).toEqual(placesIn(from, ['shelf', 'bulbs', 'images']))
    // Those that a hidden mirror would move stand where they are without it.
    from.patterns[3].hidden = true
    expect(takenOut(from, ['bulbs']).patterns.map((p) => p.id)).toEqual(['shelf', 'bulbs'])
  })

  it('what is done to images by hand, and what chance makes of them, comes along; also of a pattern and its duplicate', () => {
    const from = shop()
    from.sets = []
    const shelf = { ...from.patterns[0], steps: [] }
    const twin = { ...shelf, id: 'twin', name: 'Twin', chances: 'shelf', place: { ...shelf.place, move: [0, 0.4, 0] } }
    const mirror = aPattern(
      { ...plainReflection('across'), kind: 'mirror', sources: [{ kind: 'group', id: 'g' }] },
      ['tin'],
      { id: 'images', name: 'Images', steps: [{ ...vary, only: undefined }] },
    )
    from.patterns = [shelf, twin as never, { ...mirror, deal: { kind: 'inTurn', parts: [] } }]
    const plain = new Evaluator().evaluate(from, new Map())[2].table
    // Each image has a place of its own; two of them, one of either source, are raised.
    expect(new Set(Array.from({ length: plain.count }, (_, k) => plain.keyOf(k))).size).toBe(plain.count)
    const last = plain.count - 1
    from.patterns[2].touchUps = { [plain.keyOf(1)]: { move: [0, 1, 0] }, [plain.keyOf(last)]: { move: [0, 2, 0] } }
    const here = placesIn(from, ['images'])
    expect([here[0][4], here[0][3 * last + 1]].map((y) => Math.round(y * 10) / 10)).toEqual([1, 2.4])
    const to = emptyProject('Empty')
    for (let times = 0; times < 2; times++) {
      const { patterns } = bringIn(to, takenOut(from, ['images']), newId)
      expect(placesIn(to, patterns)).toEqual(placesIn(from, ['shelf', 'twin', 'images']))
    }
  })

  it('come into an empty project, and brought in twice they stand twice', () => {
    const to = emptyProject('Empty')
    const out = takenOut(shop(), ['other'])
    const once = bringIn(to, out, newId)
    const twice = bringIn(to, out, newId)
    expect([once.parts, twice.joined, to.parts.length, to.patterns.length]).toEqual([1, 1, 1, 2])
    expect(placesIn(to, once.patterns)).toEqual(placesIn(to, twice.patterns))
  })
})
