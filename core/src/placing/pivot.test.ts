import { describe, expect, it } from 'vitest'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import { vertices } from '../../test/vertices'
import { Evaluator } from '../evaluate'
import type { Vec3 } from '../geometry/vec'
import type { Part } from '../model/part'
import type { Project } from '../model/project'
import { withPivot } from './pivot'

const evaluator = new Evaluator()
const evaluate = (project: Project) => evaluator.evaluate(project, new Map())

const pair: Part = {
  ...box('pair', 1),
  shape: {
    kind: 'assembly',
    members: [{ id: 'm1', part: 'tin', move: [0.2, 0, 0], turn: [0, 0.5, 0.2], size: [1, 2, 1] }],
  },
}
const projects: Record<string, Project> = {
  'a row of assemblies, turned in their part': aProject(
    [box('jar', 0.2), { ...pair, frame: { pivot: [0.1, 0, 0], up: 'right', front: 'top' } }, box('tin', 0.119)],
    aPattern(aLine(), ['pair'], { touchUps: { '1': { turn: [0, 1, 0.3], size: [1, 2, 1] } } }),
  ),
  'a line by gaps, touched up': aProject(
    [box('tin', 0.119), box('jar', 0.2)],
    aPattern(aLine(), ['tin', 'jar'], {
      place: { move: [0.3, 0.1, 0], turn: [0.2, 0.4, 0] },
      touchUps: { '2': { turn: [0.3, 0.5, 0], size: [1.5, 1, 2] } },
    }),
  ),
  'a line by pitch, and an assembly': aProject(
    [box('tin', 0.119), pair],
    aPattern(aLine({ measure: 'pitch', spacing: 0.4, edges: 'centres', hold: ['spacing', 'count'] }), ['tin', 'pair'], {
      touchUps: { '1': { turn: [0, 1, 0] }, '3': { part: 'pair' } },
    }),
  ),
}

const cases = Object.entries(projects).flatMap(([words, project]) =>
  project.parts.filter(({ id }) => id !== 'jar').map((part) => [words, part.name, project, part] as const),
)

describe.each(cases)('in %s the pivot of %s is moved', (_, __, project, { id, frame }) => {
  it('I13: and no vertex of any copy moves; moved back it is as nothing had been', () => {
    const before = vertices(project)
    const { up, front } = frame ?? { up: 'top' as const, front: 'front' as const }
    const moved = withPivot(project, id, { pivot: [0.03, 0.05, -0.02], up, front }, new Map(), evaluate)
    if (!moved.ok) throw new Error(JSON.stringify(moved.problem))
    const largest = before.reduce((most, v) => Math.max(most, Math.hypot(...v)), 1)
    const expectSame = (after: Vec3[]): void => {
      expect(after).toHaveLength(before.length)
      const worst = after.reduce((most, v, i) => Math.max(most, Math.hypot(...v.map((n, a) => n - before[i][a]))), 0)
      // Vertices are kept in 32 bits.
      expect(worst / largest).toBeLessThan(1e-7)
    }
    expectSame(vertices(moved.value))
    const back = withPivot(moved.value, id, frame, new Map(), evaluate)
    if (!back.ok) throw new Error(JSON.stringify(back.problem))
    expectSame(vertices(back.value))
  })
})
