import RAPIER from '@dimforge/rapier3d-compat'
import { Evaluator, thingsIn } from '@hilera/core/evaluate'
import { inAxes } from '@hilera/core/evaluation/inAxes'
import { between as finding } from '@hilera/core/findings/between'
import { fromTurns } from '@hilera/core/geometry/rotation'
import type { InstanceTable } from '@hilera/core/instances'
import type { Spot } from '@hilera/core/layouts/spots/schema'
import { mirrorThings } from '@hilera/core/parts/hands'
import { aPattern, aProject, box } from '../core/test/projects'
import { minimalStandard } from '../core/test/shapes'
import { ms, ratio, rounds, table } from './rounds'

const PATTERNS = 10
const COPIES = 10_000
/** The cube in which they are strewn, so that about one in ten overlaps another. */
const SIDE = 18
const half = { x: 0.06, y: 0.075, z: 0.0595 }

/** Ten patterns of boxes, each strewn through the same cube. */
function strewn() {
  const random = minimalStandard(5)
  const patterns = Array.from({ length: PATTERNS }, (_, i) => {
    const spots = Array.from({ length: COPIES }, (_, slot): Spot => ({
      slot,
      move: [SIDE * random(), SIDE * random(), SIDE * random()],
      turn: [...fromTurns([6 * random(), 6 * random(), 6 * random()])],
    }))
    return aPattern({ kind: 'spots', spots }, ['crate'], { id: `p${i}`, name: `p${i}` })
  })
  return aProject([box('crate', 2 * half.x)], ...patterns)
}

/** Overlaps between ten patterns of 10 000 beside the broad and narrow phase of a physics engine on the same boxes. */
export async function between(): Promise<void> {
  await RAPIER.init()
  const project = strewn()
  const outcomes = new Evaluator().evaluate(project, new Map())
  const source = { parts: project.parts, meshes: new Map() }
  const { shapeOf } = thingsIn(project, new Map(), outcomes)
  const looked = {
    project,
    outcomes,
    shapeOf,
    source,
    things: mirrorThings(source, () => ''),
    overlapsOf: () => [],
  }
  const tables = outcomes.map(({ table }, i) => inAxes(table, project.patterns[i].place))
  const found = { ours: 0, theirs: 0 }
  const taken = rounds(
    {
      ours: () => (found.ours = finding.find(looked).reduce((n, { count }) => n + count, 0)),
      theirs: () => (found.theirs = byEngine(tables)),
    },
    3,
  )
  table(`Overlaps between ${PATTERNS} patterns of ${COPIES} (asked: 3 × or more; medians of 3 alternating runs)`, [
    { by: 'Hilera', time: ms(taken.ours), pairs: found.ours, 'to ours': ratio(1) },
    { by: 'rapier3d-compat', time: ms(taken.theirs), pairs: found.theirs, 'to ours': ratio(taken.theirs / taken.ours) },
  ])
}

/** The pairs of boxes of unlike patterns that a physics engine finds in one another, in a world of its own. */
function byEngine(tables: readonly InstanceTable[]): number {
  const world = new RAPIER.World({ x: 0, y: 0, z: 0 })
  const of = new Map<number, number>()
  for (const [number, { position: p, quaternion: q, count }] of tables.entries())
    for (let k = 0; k < count; k++) {
      const body = world.createRigidBody(
        RAPIER.RigidBodyDesc.kinematicPositionBased()
          .setTranslation(p[3 * k], p[3 * k + 1], p[3 * k + 2])
          .setRotation({ x: q[4 * k], y: q[4 * k + 1], z: q[4 * k + 2], w: q[4 * k + 3] }),
      )
      const collider = world.createCollider(
        RAPIER.ColliderDesc.cuboid(half.x, half.y, half.z)
          .setSensor(true)
          .setActiveCollisionTypes(RAPIER.ActiveCollisionTypes.ALL),
        body,
      )
      of.set(collider.handle, number)
    }
  world.step()
  let pairs = 0
  world.forEachCollider((collider) => {
    world.intersectionPairsWith(collider, (other) => {
      if (of.get(collider.handle) !== of.get(other.handle)) pairs++
    })
  })
  world.free()
  return pairs / 2
}
