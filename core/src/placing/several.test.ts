import { describe, expect, it } from 'vitest'
import { produce } from 'immer'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import { Evaluator } from '../evaluate'
import { definitionOf } from '../layouts/index'
import { layouts } from '../layouts/registry'
import { type Project, readProject } from '../model/project'
import { type Placeable, bodiesOf } from './body'
import { type Several, makeSeveral, originalsOf, severalDefaults } from './several'

const worked = (project: Project) => ({
  project,
  outcomes: new Evaluator().evaluate(project, new Map()),
  supportOf: () => () => ({ low: 0, high: 0 }),
})
function more(project: Project, things: readonly Placeable[], how: Partial<Several>): Project {
  const originals = originalsOf(worked(project), things)
  const all = [...project.parts, ...project.patterns]
  return produce(project, (draft) =>
    makeSeveral(
      draft,
      originals,
      { ...severalDefaults, ...how },
      {
        idOf: (kind, number) => `${kind}-new-${number}`,
        thingOf: (thing) => all[thing].id,
        twinOf: (thing) => all[thing].id,
      },
    ),
  )
}
const placesOf = (project: Project, pattern: string): number[][] => {
  const { table } = worked(project).outcomes.find((o) => o.id === pattern)!
  return bodiesOf(
    worked(project),
    Array.from({ length: table.count }, (_, k) => ({ is: 'copy', pattern, slot: table.keyOf(k) })),
  ).map((b) => [...b.stands.move])
}
const line = aProject(
  [box('tin', 0.119)],
  aPattern(aLine(), ['tin'], { place: { move: [0, 0, 1], turn: [0, 0.5, 0] } }),
)
const third: Placeable = { is: 'copy', pattern: 'shelf', slot: '2' }

describe('several more', () => {
  it('B18: stand each a step from the one before, or in between; the originals stay', () => {
    const [at] = bodiesOf(worked(line), [third]).map((b) => b.stands.move)
    const after = more(line, [third], { count: 3, by: [0.1, 0, 0.05] })
    expect(placesOf(after, 'shelf')).toEqual(placesOf(line, 'shelf'))
    expect(after.patterns[1].name).toBe('More of Shelf tins')
    const close = (k: number) => [at[0] + 0.1 * k, at[1], at[2] + 0.05 * k].map((n) => expect.closeTo(n, 12))
    expect(placesOf(after, 'pattern-new-0')).toEqual([1, 2, 3].map(close))
    const between = more(line, [third], { count: 3, by: [0.4, 0, 0.2], where: 'between' })
    expect(placesOf(between, 'pattern-new-0')).toEqual([1, 2, 3, 4].map(close))
    expect(readProject(JSON.parse(JSON.stringify(after))).ok).toBe(true)
  })

  it('A1, A2: share the part, or all get one of their own', () => {
    expect(more(line, [third], {}).parts).toHaveLength(1)
    const own = more(line, [third, { ...third, slot: '3' }], { linked: false, count: 2 })
    expect(own.parts.map((p) => p.name)).toEqual(['tin', 'tin 2'])
    const spots = own.patterns[1].layout
    expect('spots' in spots && spots.spots.map((s) => s.part)).toEqual(Array(4).fill('part-new-0'))
  })

  it('on places of their own more are added there, under new slots', () => {
    const once = more(line, [third], { count: 2 })
    const again = more(once, [{ is: 'copy', pattern: 'pattern-new-0', slot: '1' }], { count: 1 })
    expect(again.patterns).toHaveLength(2)
    const { layout } = again.patterns[1]
    expect('spots' in layout && layout.spots.map((s) => s.slot)).toEqual([0, 1, 2])
  })

  it('N1: patterns of a group are made again together, and what went with one of them goes with its duplicate', () => {
    const project: Project = {
      ...line,
      groups: [{ id: 'group-1', name: 'Shop' }],
      patterns: [
        { ...line.patterns[0], group: 'group-1' },
        aPattern(layouts.companion.begin({ width: 0.1, height: 0.1, depth: 0.1, unit: 'mm', host: 'shelf' }), ['tin'], {
          id: 'bulbs',
          name: 'Bulbs',
          group: 'group-1',
        }),
      ],
    }
    const after = more(project, [{ is: 'patterns', ids: ['shelf', 'bulbs'] }], { by: [0, 0, 2] })
    expect(after.groups.map((g) => g.name)).toEqual(['Shop', 'Group'])
    const bulbs = after.patterns.find((p) => p.name === 'Bulbs 2')!
    const tins = after.patterns.find((p) => p.name === 'Shelf tins 2')!
    expect(definitionOf(bulbs.layout).host?.(bulbs.layout)).toBe(tins.id)
    expect([bulbs.group, tins.group]).toEqual([after.groups[1].id, after.groups[1].id])
    expect(placesOf(after, tins.id).map((p) => p[2])).toEqual(
      placesOf(project, 'shelf').map((p) => expect.closeTo(p[2] + 2, 12)),
    )
  })
})
