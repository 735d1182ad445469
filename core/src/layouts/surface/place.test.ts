import { describe, expect, it } from 'vitest'
import { aPattern, aProject, ball } from '../../../test/projects'
import { Evaluator } from '../../evaluate'
import type { GroundShape } from '../../grounds/index'
import { rotate } from '../../geometry/rotation'
import { keepersOf } from '../../model/references'
import { readProject } from '../../model/project'
import { surface as definition } from './index'
import type { Surface } from './schema'

const over = (shape: GroundShape, change: Partial<Surface> = {}, move: [number, number, number] = [0, 0, 0]) => {
  const layout = { ...definition.begin({ width: 0.1, height: 0.1, depth: 0.1, unit: 'mm', ground: 'g' }), ...change }
  const ground = { id: 'g', name: 'Wave', shape, move, turn: 0.5, hidden: false }
  return {
    ...aProject([ball('b', 0.1)], aPattern(layout, ['b'], { id: 'p', place: { move: [1, 2, 0], turn: [0, 0.7, 0] } })),
    grounds: [ground],
  }
}
const work = (doc: ReturnType<typeof over>) => new Evaluator().evaluate(doc, new Map())[0]
const waves: GroundShape = { kind: 'waves', width: 3, depth: 2, height: 0.3, length: 1, way: 0.3, phase: 0.2 }

describe('spread over a ground', () => {
  it('F9: no two stand nearer to each other than asked, in space, each on the ground itself and along its normal', () => {
    const { table, problem } = work(over(waves, { count: 200, least: 0.08 }, [0.2, -0.4, 1]))
    expect(problem).toBeUndefined()
    expect(table.count).toBe(200)
    for (let a = 0; a < 200; a++)
      for (let b = 0; b < a; b++) {
        const [p, q] = [table.moveOf(a), table.moveOf(b)]
        // Lifted from the triangles onto the bending ground they come nearer by a hair.
        expect(Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2])).toBeGreaterThan(0.08 * 0.99)
      }
    const k = (2 * Math.PI) / 1
    for (let row = 0; row < 200; row++) {
      const [x, y, z] = table.moveOf(row)
      const [c, s] = [Math.cos(0.7), Math.sin(0.7)]
      const world = [c * x + s * z + 1, y + 2, c * z - s * x]
      const [dx, dz] = [world[0] - 0.2, world[2] - 1]
      const [cg, sg] = [Math.cos(0.5), Math.sin(0.5)]
      const at = k * (Math.cos(0.3) * (cg * dx - sg * dz) + Math.sin(0.3) * (sg * dx + cg * dz)) - 2 * Math.PI * 0.2
      expect(Math.abs(world[1] - (0.15 * Math.sin(at) - 0.4))).toBeLessThan(1e-9)
    }
  })
  it('a higher count keeps those that there were, to the bit', () => {
    const [few, many] = [50, 90].map((count) => work(over(waves, { count, least: 0.1 })).table)
    for (let k = 0; k < 50; k++) {
      expect(many.keyOf(k)).toBe(few.keyOf(k))
      expect(many.moveOf(k)).toEqual(few.moveOf(k))
    }
  })
  it('keeps to where it leans little enough', () => {
    // Treads are level, risers stand.
    const flight: GroundShape = { kind: 'flight', width: 1, tread: 0.3, rise: 0.5, count: 4 }
    const { table } = work(over(flight, { count: 200, how: 'random', steepest: 0.5 }))
    for (let k = 0; k < 200; k++) {
      expect(rotate(table.turnOf(k), [0, 1, 0])[1]).toBeCloseTo(1, 12)
      const steps = (table.moveOf(k)[1] + 2) / 0.5
      expect(Math.abs(steps - Math.round(steps))).toBeLessThan(1e-6)
    }
    expect(
      work(over({ kind: 'slope', width: 1, depth: 1, rise: 3 }, { steepest: 0.5 })).problem?.says.join(' '),
    ).toContain('leans more than')
  })
  it('its ground cannot be removed, and without one it says what to do', () => {
    const doc = over(waves)
    expect(keepersOf(doc, 'g').map((p) => p.id)).toEqual(['p'])
    expect(work({ ...doc, grounds: [] }).problem?.says.join('')).toContain('There is no ground to spread them over')
    expect(readProject(structuredClone({ ...doc, grounds: [] })).ok).toBe(false)
  })
})
