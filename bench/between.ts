import RAPIER from '@dimforge/rapier3d-compat'
import { Evaluator, thingsIn } from '@hilera/core/evaluate'
import { inAxes } from '@hilera/core/evaluation/inAxes'
import { between as finding } from '@hilera/core/findings/between'
import { fromTurns } from '@hilera/core/geometry/rotation'
import type { Spot } from '@hilera/core/layouts/spots/schema'
import { mirrorThings } from '@hilera/core/parts/hands'
import { aPattern, aProject, box } from '../core/test/projects'
import { minimalStandard } from '../core/test/shapes'
import { ms, ratio, table } from './rounds'

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
  let start = performance.now()
  const found = finding.find({
    project,
    outcomes,
    shapeOf,
    source,
    things: mirrorThings(source, () => ''),
    overlapsOf: () => [],
  })
  const own = performance.now() - start
  const pairs = found.reduce((n, { count }) => n + count, 0)

  const world = new RAPIER.World({ x: 0, y: 0, z: 0 })
  const tables = outcomes.map(({ table }, i) => inAxes(table, project.patterns[i].place))
  start = performance.now()
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
  let theirs = 0
  world.forEachCollider((collider) => {
    world.intersectionPairsWith(collider, (other) => {
      if (of.get(collider.handle) !== of.get(other.handle)) theirs++
    })
  })
  const engine = performance.now() - start
  world.free()
  table(`Overlaps between ${PATTERNS} patterns of ${COPIES} (asked: 3 × or more)`, [
    { by: 'Hilera', time: ms(own), pairs, 'to ours': ratio(1) },
    { by: 'rapier3d-compat', time: ms(engine), pairs: theirs / 2, 'to ours': ratio(engine / own) },
  ])
}
