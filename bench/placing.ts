import { Evaluator, supportIn } from '@hilera/core/evaluate'
import { boxTreeOf, visitAlong } from '@hilera/core/geometry/boxTree'
import { InstanceTable } from '@hilera/core/instances'
import type { Project } from '@hilera/core/model/project'
import { bodiesOf, type Placeable } from '@hilera/core/placing/body'
import { lineUp, lineUpDefaults } from '@hilera/core/placing/lineUp'
import { space, spaceDefaults } from '@hilera/core/placing/space'
import { casaNispero } from '@hilera/demo/casaNispero'
import { mergeGeometries } from 'three/addons/utils/BufferGeometryUtils.js'
import * as THREE from 'three'
import { MeshBVH } from 'three-mesh-bvh'
import { ms, ratio, rounds, table } from './rounds'
import { writeLoop } from './writeLoop'

/** Lining up and spacing a crowd beside writing its bytes. */
export function placing(): void {
  const count = 100_000
  const demo = casaNispero()
  const [pattern] = demo.patterns
  const layout = { ...pattern.layout, kind: 'line' as const, hold: ['spacing', 'count'] as ['spacing', 'count'], count }
  const project = { ...demo, patterns: [{ ...pattern, layout } as Project['patterns'][number]] }
  const outcomes = new Evaluator().evaluate(project, new Map())
  const worked = { project, outcomes, supportOf: supportIn(project, new Map(), outcomes) }
  const things = Array.from({ length: count }, (_, k): Placeable => ({
    is: 'copy',
    pattern: pattern.id,
    slot: k.toString(16),
  }))
  const bodies = bodiesOf(worked, things)
  const bytes = new InstanceTable()
  const taken = rounds({
    bytes: () => writeLoop(bytes, count),
    bodies: () => void bodiesOf(worked, things),
    lineUp: () => void lineUp(bodies, bodies[0], lineUpDefaults),
    space: () => void space(bodies, bodies[0], spaceDefaults),
  })
  table('Lining up and spacing 100 000 copies (medians of 9 alternating runs)', [
    {
      'same bytes': ms(taken.bytes),
      'what they are': ratio(taken.bodies / taken.bytes),
      'lined up ÷ bytes': ratio(taken.lineUp / taken.bytes),
      'spaced ÷ bytes': ratio(taken.space / taken.bytes),
    },
  ])
  catching()
}

/** A ray through a tree over copies and the tree of their part, beside one ray through a tree over all their triangles. */
function catching(): void {
  const count = 10_000
  const shape = new THREE.TorusGeometry(0.05, 0.02, 8, 16)
  const part = new MeshBVH(shape)
  const side = Math.sqrt(count)
  const matrices = Array.from({ length: count }, (_, k) =>
    new THREE.Matrix4().makeTranslation((k % side) * 0.2, 0, Math.floor(k / side) * 0.2),
  )
  const boxes = new Float64Array(6 * count)
  shape.computeBoundingBox()
  for (const [k, matrix] of matrices.entries()) {
    const { min, max } = shape.boundingBox!.clone().applyMatrix4(matrix)
    boxes.set([...min.toArray(), ...max.toArray()], 6 * k)
  }
  const copies = boxTreeOf(boxes)
  const all = new MeshBVH(mergeGeometries(matrices.map((m) => shape.clone().applyMatrix4(m)))!)
  const rays = Array.from({ length: 200 }, (_, k) => {
    const at = new THREE.Vector3((k % 20) * 1.01, 1, Math.floor(k / 20) * 1.97)
    return new THREE.Ray(at, new THREE.Vector3(0.1, -1, 0.2).normalize())
  })
  const [back, own] = [new THREE.Matrix4(), new THREE.Ray()]
  const taken = rounds({
    making: () => void boxTreeOf(boxes),
    ours: () => {
      for (const ray of rays)
        visitAlong(copies, ray.origin.toArray(), ray.direction.toArray(), (k) => {
          own.copy(ray).applyMatrix4(back.copy(matrices[k]).invert())
          return part.raycastFirst(own, THREE.DoubleSide)?.distance ?? Infinity
        })
    },
    triangles: () => {
      for (const ray of rays) all.raycastFirst(ray, THREE.DoubleSide)
    },
  })
  table('A move of the pointer over 10 000 copies, 200 rays (medians of 9 alternating runs)', [
    {
      'tree over copies': ms(taken.ours / rays.length),
      'tree over all triangles': ms(taken.triangles / rays.length),
      'ours ÷ theirs': ratio(taken.ours / taken.triangles),
      'making ours': ms(taken.making),
    },
  ])
}
