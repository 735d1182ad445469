import { Evaluator } from '@hilera/core/evaluate'
import type { Layout } from '@hilera/core/layouts/index'
import { casaNispero } from '@hilera/demo/casaNispero'
import { describe, expect, it } from 'vitest'
import { layouts } from '@hilera/core/layouts/registry'
import { supportIn, thingsIn } from '@hilera/core/evaluate'
import { standsAlong } from '@hilera/core/layouts/index'
import { PatternAxes } from '../stage/handles'
import type { Way } from '../stage/pins'
import type { PatternUpdate } from '../worker/messages'
import { layoutHandles } from './index'
import type { Step } from '@hilera/core/steps/index'
import type { Ground } from '@hilera/core/model/ground'
import type { Project } from '@hilera/core/model/project'
import { startCurve } from '@hilera/core/curves/begin'

const demo = casaNispero()
const way = (change: Partial<Way>): Way => ({
  along: 0,
  across: 0,
  up: 0,
  deep: 0,
  soft: 0,
  whole: (n) => Math.round(n * 1000) / 1000,
  ...change,
})

/** What is drawn over the demo's first pattern, laid out anew. */
function handlesOver(layout: Layout, change: Partial<Project> = {}, steps: readonly Step[] = []) {
  const project = { ...demo, patterns: [{ ...demo.patterns[0], layout, steps: [...steps] }], ...change }
  const outcomes = new Evaluator().evaluate(project, new Map())
  const axes = new PatternAxes(
    project.patterns[0],
    {
      ...outcomes[0],
      stands: standsAlong(layout, outcomes[0], thingsIn(project, new Map(), outcomes)),
    } as PatternUpdate,
    supportIn(project, new Map(), outcomes),
  )
  return { ...layoutHandles(layout, outcomes[0].laid, axes), table: outcomes[0].table }
}

/** A layout after one of its pins was dragged. */
function dragged<L extends Layout>(layout: L, pin: string, change: Partial<Way>): L {
  const found = handlesOver(layout).pins.find((p) => p.name === pin)
  if (found?.does !== 'layout') throw new Error(`no pin ${pin}`)
  const after = structuredClone(layout)
  found.edit(way(change))?.(after)
  return after
}

describe('pins', () => {
  const start = { width: 0.1, height: 0.1, depth: 0.1, unit: 'mm' } as const

  it('of a grid take hold of a spacing or a room in their own direction', () => {
    const grid = layouts.grid.begin(start)
    const wider = dragged(grid, 'pitchDeep', { along: 0.0304 })
    expect(wider.deep.spacing).toBeCloseTo(grid.deep.spacing + 0.03, 12)
    expect(wider.across).toEqual(grid.across)
    expect(dragged(grid, 'endAcross', { along: 0.2 }).across.hold).toEqual(['count', 'room'])
  })

  it('of a ring change its radius, its start and its end', () => {
    const ring = layouts.ring.begin(start)
    expect(dragged(ring, 'radius', { along: 0.05 }).radius).toBeCloseTo(ring.radius + 0.05, 12)
    // From (r, 0) to (0, r) on the ground, which is a quarter turn: away from the viewer is up in the ring's plane.
    expect(dragged(ring, 'start', { across: -ring.radius, deep: -ring.radius }).start).toBeCloseTo(Math.PI / 2, 9)
    const helix = { ...ring, sweep: { kind: 'arc' as const, angle: 4 * Math.PI, ends: 'both' as const } }
    const longer = dragged(helix, 'sweep', { across: -ring.radius, deep: -ring.radius })
    expect(longer.sweep.kind === 'arc' && longer.sweep.angle).toBeCloseTo(4.5 * Math.PI, 9)
  })

  it('of a fill move the points of its outline, or its sides about the middle', () => {
    const fill = layouts.fill.begin(start)
    if (fill.outline.kind !== 'rectangle') throw new Error('not a rectangle')
    const wider = dragged(fill, 'width', { along: 0.01 })
    expect(wider.outline.kind === 'rectangle' && wider.outline.width).toBeCloseTo(fill.outline.width + 0.02, 12)
    const drawn = {
      ...fill,
      outline: {
        kind: 'polygon' as const,
        points: [
          [0, 0],
          [1, 0],
          [0, 1],
        ] as [number, number][],
      },
    }
    const moved = dragged(drawn, 'point 1', { across: 0.1, deep: -0.2 })
    expect(moved.outline.kind === 'polygon' && moved.outline.points).toEqual([
      [0, 0],
      [1.1, -0.2],
      [0, 1],
    ])
  })

  it('of a path move one point, or its neighbours softly with it', () => {
    const path = layouts.path.begin(start)
    if (path.curve.kind !== 'points') throw new Error('not points')
    const before = path.curve.points
    const heights = (soft: number): number[] => {
      const after = dragged(path, 'point 1', { up: 0.1, soft })
      return after.curve.kind === 'points'
        ? after.curve.points.map((p, i) => Math.round((p[1] - before[i][1]) * 1e9) / 1e9)
        : []
    }
    expect(heights(0)).toEqual([0, 0.1, 0, 0])
    const soft = heights(0.6)
    expect(soft[1]).toBe(0.1)
    expect(soft[0]).toBeGreaterThan(0)
    expect(soft[0]).toBeLessThan(0.1)
    expect(soft[3]).toBe(0)
  })

  it('of a curve with handles move an anchor with its handles, its neighbours softly, or a handle alone', () => {
    const path = layouts.path.begin(start)
    const curve = startCurve('hand', path.curve)
    const layout = { ...path, curve }
    const heights = (pin: string, soft: number): number[] => {
      const after = dragged(layout, pin, { up: 0.1, soft })
      return after.curve.kind === 'bezier'
        ? [after.curve.runs[0].start, ...after.curve.runs[0].pieces.flat()].map((p) => Math.round(p[1] * 1e9) / 1e9)
        : []
    }
    // Start, then handle, handle, anchor of three pieces.
    expect(heights('anchor 1', 0)).toEqual([0, 0, 0.1, 0.1, 0.1, 0, 0, 0, 0, 0])
    expect(heights('handle 1 0', 0)).toEqual([0, 0, 0, 0, 0.1, 0, 0, 0, 0, 0])
    const soft = heights('anchor 1', 0.6)
    expect(soft[3]).toBe(0.1)
    expect(soft[0]).toBeGreaterThan(0)
    expect(soft[9]).toBe(0)
  })
})

describe('dimension lines of a settled pattern', () => {
  const start = { width: 0.1, height: 0.1, depth: 0.1, unit: 'mm' } as const
  const slope = {
    id: 'slope',
    name: 'Slope',
    move: [0, 0, 0],
    turn: 0.4,
    hidden: false,
    shape: { kind: 'slope', width: 4, depth: 4, rise: 1 },
  } satisfies Ground
  const settle: Step = {
    kind: 'settle',
    id: 'settle',
    on: [{ kind: 'ground', ground: 'slope' }],
    which: 'topmost',
    stands: 'upright',
    limit: 0.2,
    by: 'foot',
    above: 0,
  }

  it.each(['ring', 'grid'] as const)('lie where the copies of a %s stand and say what lies between them', (kind) => {
    const { dimensions, pins, table } = handlesOver(layouts[kind].begin(start), { grounds: [slope] }, [settle])
    const places = Array.from({ length: table.count }, (_, k) => table.moveOf(k))
    expect(Math.max(...places.map((p) => p[1])) - Math.min(...places.map((p) => p[1]))).toBeGreaterThan(0.02)
    const named = (name: string) => pins.find((p) => p.name === name)!.at
    const origin = demo.patterns[0].place.move
    if (kind === 'grid') expect(named('move').y - origin[1]).toBeGreaterThan(places[0][1])
    if (kind !== 'ring') return
    const straight = dimensions.find((d) => d.key === 'chord')!
    const between = Math.hypot(...[0, 1, 2].map((i) => places[1][i] - places[0][i]))
    expect(straight.metres).toBeCloseTo(between, 12)
    expect(straight.from.y - origin[1]).toBeCloseTo(places[0][1], 12)
    expect(straight.to.y - origin[1]).toBeCloseTo(places[1][1], 12)
  })
})
