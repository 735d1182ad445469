import { describe, expect, it } from 'vitest'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import { Evaluator } from '../evaluate'
import { rotate } from '../geometry/rotation'
import type { Vec3 } from '../geometry/vec'
import type { Part } from '../model/part'
import type { Project } from '../model/project'
import { partMesh } from '../parts/partMesh'
import { inWorld } from '../model/inWorld'
import { withPivot } from './pivot'

const evaluator = new Evaluator()
const evaluate = (project: Project) => evaluator.evaluate(project, new Map())

/** Every vertex of every copy in the world, pattern by pattern. */
function vertices(project: Project): Vec3[] {
  return new Evaluator().evaluate(project, new Map()).flatMap(({ id, expanded: table }) => {
    const pattern = project.patterns.find((p) => p.id === id)!
    return Array.from({ length: table.count }, (_, k) => k).flatMap((k) => {
      if (!table.isPresent(k)) return []
      const { positions } = partMesh(project.parts[table.thing[k]], { parts: project.parts, meshes: new Map() })!
      const { move, turn, size } = inWorld(pattern, table.placingOf(k))
      const mirrored = table.isTwin(k) ? -1 : 1
      return Array.from({ length: positions.length / 3 }, (_, v): Vec3 => {
        const own = rotate(turn, [
          mirrored * positions[3 * v] * size[0],
          positions[3 * v + 1] * size[1],
          positions[3 * v + 2] * size[2],
        ])
        return [own[0] + move[0], own[1] + move[1], own[2] + move[2]]
      })
    })
  })
}

const pair: Part = {
  ...box('pair', 1),
  shape: {
    kind: 'assembly',
    members: [{ id: 'm1', part: 'tin', move: [0.2, 0, 0], turn: [0, 0.5, 0.2], size: [1, 2, 1] }],
  },
}
const projects: Record<string, Project> = {
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

describe.each(Object.entries(projects))('a pivot is moved in %s', (_, project) => {
  it('I13: and no vertex of any copy moves; moved back it is as nothing had been', () => {
    const before = vertices(project)
    const moved = withPivot(
      project,
      'tin',
      { pivot: [0.03, 0.05, -0.02], up: 'top', front: 'front' },
      new Map(),
      evaluate,
    )
    if (!moved.ok) throw new Error(JSON.stringify(moved.problem))
    const largest = before.reduce((most, v) => Math.max(most, Math.hypot(...v)), 1)
    const expectSame = (after: Vec3[]): void => {
      expect(after).toHaveLength(before.length)
      const worst = after.reduce((most, v, i) => Math.max(most, Math.hypot(...v.map((n, a) => n - before[i][a]))), 0)
      // Vertices are kept in 32 bits.
      expect(worst / largest).toBeLessThan(1e-7)
    }
    expectSame(vertices(moved.value))
    const back = withPivot(moved.value, 'tin', undefined, new Map(), evaluate)
    if (!back.ok) throw new Error(JSON.stringify(back.problem))
    expectSame(vertices(back.value))
  })
})
