import RAPIER from '@dimforge/rapier3d-compat'
import { Bodies } from '@hilera/core/clearing/bodies'
import type { Convex } from '@hilera/core/clearing/convex'
import { findOverlaps } from '@hilera/core/clearing/overlaps'
import { pushApart, pushDefaults } from '@hilera/core/clearing/pushApart'
import { InstanceTable } from '@hilera/core/instances'
import { forceCollide, forceSimulation } from 'd3-force-3d'
import { minimalStandard } from '../core/test/shapes'
import { ms, ratio, table } from './rounds'

/** Spheres of diameter 1, about 40 % of a cube full, pushed until the worst overlap is under 1 % of the diameter. */
const DENSITY = 0.4
const ENOUGH = 0.01
const WARM = 5
const RUNS = 3
const ball: Convex = {
  points: new Float64Array(3),
  rims: new Float64Array(),
  round: 0.5,
  offset: [0, 0, 0],
  centre: [0, 0, 0],
  radius: 0.5,
}

function strewn(count: number, seed: number): Float64Array {
  const random = minimalStandard(seed)
  const side = ((count * Math.PI) / 6 / DENSITY) ** (1 / 3)
  return Float64Array.from({ length: 3 * count }, () => side * random())
}

function bodiesAt(position: Float64Array): Bodies {
  const rows = new InstanceTable()
  rows.neutral(position.length / 3)
  rows.position.set(position)
  return new Bodies(rows, () => ball)
}
const worst = (position: Float64Array): number => findOverlaps(bodiesAt(position), 0)[0]?.depth ?? 0

interface Way {
  readonly ms: number
  readonly steps: number
  readonly mean: number
}

function moved(from: Float64Array, to: Float64Array): number {
  let sum = 0
  for (let i = 0; i < from.length; i += 3)
    sum += Math.hypot(to[i] - from[i], to[i + 1] - from[i + 1], to[i + 2] - from[i + 2])
  return sum / (from.length / 3)
}

function ours(from: Float64Array): Way {
  const start = performance.now()
  const bodies = bodiesAt(from)
  const { rounds } = pushApart(bodies, { ...pushDefaults, within: ENOUGH })
  return { ms: performance.now() - start, steps: rounds, mean: moved(from, bodies.position) }
}

/** Only the solver's steps are timed, not the looks whether it is enough. */
function d3(from: Float64Array): Way {
  const nodes = Array.from({ length: from.length / 3 }, (_, i) => ({
    x: from[3 * i],
    y: from[3 * i + 1],
    z: from[3 * i + 2],
  }))
  let start = performance.now()
  const simulation = forceSimulation(nodes, 3)
    .alphaDecay(0)
    .alphaMin(0)
    .force('collide', forceCollide(0.5).strength(1))
    .stop()
  let took = performance.now() - start
  const now = new Float64Array(from.length)
  for (let steps = 1; ; steps++) {
    start = performance.now()
    simulation.tick()
    took += performance.now() - start
    for (const [i, n] of nodes.entries()) now.set([n.x, n.y, n.z], 3 * i)
    if (worst(now) < ENOUGH || steps >= 200) return { ms: took, steps, mean: moved(from, now) }
  }
}

function rapier(from: Float64Array): Way {
  let start = performance.now()
  const world = new RAPIER.World({ x: 0, y: 0, z: 0 })
  world.timestep = 1 / 20
  const rigid = Array.from({ length: from.length / 3 }, (_, i) => {
    const body = world.createRigidBody(
      RAPIER.RigidBodyDesc.dynamic()
        .setTranslation(from[3 * i], from[3 * i + 1], from[3 * i + 2])
        .lockRotations()
        .setLinearDamping(10),
    )
    world.createCollider(RAPIER.ColliderDesc.ball(0.5).setFriction(0).setRestitution(0), body)
    return body
  })
  let took = performance.now() - start
  const now = new Float64Array(from.length)
  for (let steps = 1; ; steps++) {
    start = performance.now()
    world.step()
    took += performance.now() - start
    for (const [i, body] of rigid.entries()) {
      const { x, y, z } = body.translation()
      now.set([x, y, z], 3 * i)
    }
    if (worst(now) < ENOUGH || steps >= 200) {
      world.free()
      return { ms: took, steps, mean: moved(from, now) }
    }
  }
}

/** The way of the median time. */
const median = (ways: readonly Way[]): Way => ways.toSorted((a, b) => a.ms - b.ms)[ways.length >> 1]

/** Clearing beside a force layout and a physics engine, on the same spheres: time, steps and how far they moved. */
export async function clear(): Promise<void> {
  await RAPIER.init()
  const solvers = { Hilera: ours, 'd3-force-3d': d3, 'rapier3d-compat': rapier }
  // By then the engine has compiled them: the smallest crowd would tell of little else.
  for (const solve of Object.values(solvers)) for (let n = 0; n < WARM; n++) solve(strewn(1000, 3))
  const rows: Record<string, string | number>[] = []
  for (const count of [1000, 5000, 20_000]) {
    const from = strewn(count, count)
    const runs = Array.from({ length: RUNS }, () => Object.values(solvers).map((solve) => solve(from)))
    const ways = Object.keys(solvers).map((by, n) => ({ by, way: median(runs.map((run) => run[n])) }))
    for (const { by, way } of ways)
      rows.push({
        spheres: count,
        by,
        time: ms(way.ms),
        steps: way.steps,
        'mean move, diameters': way.mean.toFixed(3),
        'to ours': ratio(way.ms / ways[0].way.ms),
      })
  }
  table(
    `Spheres pushed apart (asked: both peers 20 × or more, mean move at most 0.32; medians of ${RUNS} alternating runs)`,
    rows,
  )
}
