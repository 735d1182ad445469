import { StandingSurface } from '@hilera/core/contact/standing'
import { meshSurface } from '@hilera/core/contact/meshSurface'
import { IDENTITY } from '@hilera/core/geometry/matrix'
import type { Mesh } from '@hilera/core/geometry/mesh'
import { gridSurface } from '@hilera/core/grounds/gridSurface'
import type { Surface } from '@hilera/core/grounds/surface'
import { InstanceTable } from '@hilera/core/instances'
import { settleCopies } from '@hilera/core/steps/settle/apply'
import type { Settle } from '@hilera/core/steps/settle/schema'
import * as THREE from 'three'
import { MeshBVH } from 'three-mesh-bvh'
import { hills } from './hills'
import { ms, ratio, rounds, table as print } from './rounds'

const COUNT = 100_000
const settle: Settle = {
  kind: 'settle',
  id: 'settle',
  on: [{ kind: 'ground', ground: 'g' }],
  which: 'topmost',
  stands: 'upright',
  limit: 0,
  by: 'pivot',
  above: 0,
}

/** Settling a crowd by its pivots beside as many rays of three-mesh-bvh, straight down onto the same triangles. */
export function settling(): void {
  const scattered = new InstanceTable()
  scattered.neutral(COUNT)
  for (let k = 0; k < COUNT; k++) scattered.setMove(k, [9.9 * ((k * 0.618034) % 1) - 4.95, 0, 9.9 * (k / COUNT) - 4.95])
  const run = (name: string, surface: Surface, mesh: Mesh): Record<string, string> => {
    const table = scattered.snapshot()
    const standing = new StandingSurface(surface)
    const geometry = new THREE.BufferGeometry()
    geometry.setAttribute('position', new THREE.BufferAttribute(mesh.positions, 3))
    geometry.setIndex(new THREE.BufferAttribute(mesh.indices.slice(), 1))
    const tree = new MeshBVH(geometry)
    const ray = new THREE.Ray(new THREE.Vector3(), new THREE.Vector3(0, -1, 0))
    const taken = rounds({
      rays: () => {
        for (let k = 0; k < COUNT; k++) {
          ray.origin.set(scattered.position[3 * k], 10, scattered.position[3 * k + 2])
          tree.raycastFirst(ray, THREE.DoubleSide)
        }
      },
      settle: () =>
        void settleCopies(table, settle, undefined, {
          turn: [0, 0, 0, 1],
          inWorld: (own) => own.snapshot(),
          shapeOf: () => undefined,
          restOf: () => ({ name: 'g', surface: standing }),
        }),
    })
    return { 'settled on': name, 'as many rays': ms(taken.rays), 'settled ÷ rays': ratio(taken.settle / taken.rays) }
  }
  const heights = new Float64Array(256 * 256)
  const extent = { lowX: -5, highX: 5, lowZ: -5, highZ: 5 }
  const grid = hills(255)
  for (let n = 0; n < heights.length; n++) heights[n] = grid.positions[3 * n + 1]
  const mesh = hills(223)
  print('Settling 100 000 copies by their pivots (medians of 9 alternating runs)', [
    run('256 × 256 heights', gridSurface({ across: 256, deep: 256, heights, extent }), grid),
    run(
      `${mesh.indices.length / 3} triangles`,
      meshSurface([{ mesh, matrix: IDENTITY }], () => mesh),
      mesh,
    ),
  ])
}
