import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import { Evaluator, thingsIn } from '../evaluate'
import { inWorld } from '../model/inWorld'
import type { Project } from '../model/project'
import type { Placeable } from './body'
import { putPlaced } from './exactly'
import { type Motion, motionDefaults } from './motion'
import { proposed } from './proposed'

const over = (id: string, host: string) =>
  aPattern(
    { kind: 'companion', host, at: 'top', offset: [0, 0.1, 0], turn: [0, 0, 0], axes: 'copy', every: 1 },
    ['tin'],
    { id, name: id },
  )
/** Tins, bulbs over them, and shades over these. */
const project = aProject(
  [box('tin', 0.1)],
  aPattern(aLine(), ['tin'], { place: { move: [0.2, 0, -0.3], turn: [0, 0.4, 0] } }),
  over('bulbs', 'shelf'),
  over('shades', 'bulbs'),
)
const evaluate = (doc: Project) => new Evaluator().evaluate(doc, new Map())
const places = (doc: Project) =>
  evaluate(doc).map(({ table }, i) =>
    Array.from({ length: table.count }, (_, k) => inWorld(doc.patterns[i], table.placingOf(k)).move),
  )
function after(how: Partial<Motion>, picked: readonly Placeable[]) {
  const outcomes = evaluate(project)
  const worked = { project, outcomes, ...thingsIn(project, new Map(), outcomes) }
  const made = proposed({ kind: 'move', how: { ...motionDefaults, ...how } }, picked, undefined, worked, evaluate)
  if (!made.ok) throw new Error(JSON.stringify(made.problem))
  return places(produce(project, (draft) => putPlaced(draft, made.value.placed)))
}
const one = (...ids: string[]): Placeable => ({ is: 'patterns', ids })
const near = (all: number[][][]) => all.map((own) => own.map((at) => at.map((n) => expect.closeTo(n, 9))))

describe('what goes with something that is picked beside it', () => {
  it.each<[string, Partial<Motion>]>([
    ['moved', { by: [0.1, 1, -2] }],
    ['turned about the origin', { turn: [0.3, 1, 0], about: 'origin' }],
    ['sized about a place', { size: [1.5, 1.5, 1.5], about: 'place', at: [1, 2, 3] }],
    ['turned and sized', { turn: [0, 2, 0], size: [0.5, 0.5, 0.5], about: 'origin', by: [0, 0.5, 0] }],
  ])('is %s once, whether they are picked one by one or as one', (_, how) => {
    const asOne = after(how, [one('shelf', 'bulbs', 'shades')])
    expect(after(how, [one('shades'), one('shelf'), one('bulbs')])).toEqual(near(asOne))
    // Its host alone takes it along as well, in its own size.
    if (!how.size) expect(after(how, [one('shelf')])).toEqual(near(asOne))
  })

  it('moves by itself where its host stays', () => {
    const [shelf, bulbs] = places(project)
    const now = after({ by: [0, 0.25, 0] }, [one('bulbs')])
    expect(now[0]).toEqual(shelf)
    expect(now[1]).toEqual(near([bulbs.map(([x, y, z]) => [x, y + 0.25, z])])[0])
  })
})
