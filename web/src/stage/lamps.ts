import { MOST_LAMPS } from '@hilera/core/limits'
import type { Project } from '@hilera/core/model/project'
import { fromTurns } from '@hilera/core/geometry/rotation'
import * as THREE from 'three'
import { COMPLETING } from './copies/drawnBatch'
import { matrixOf } from './copies/placed'
import type { PatternUpdate } from '../worker/messages'

/** The lights among the copies, which shine on the night stage. */
export class Lamps {
  readonly root = new THREE.Group()
  /** How many there are, and how many of them shine. */
  all = 0
  shining = 0

  show(project: Project, updates: readonly PatternUpdate[], night: boolean): void {
    this.root.clear()
    this.all = this.shining = 0
    for (const { id, hidden, place } of project.patterns) {
      const update = updates.find((u) => u.id === id)
      if (!update || hidden) continue
      const world = new THREE.Matrix4().compose(
        new THREE.Vector3(...place.move),
        new THREE.Quaternion(...fromTurns(place.turn)),
        new THREE.Vector3(1, 1, 1),
      )
      for (const { part, rows, placed } of update.batches) {
        const { shape, look } = project.parts[part] ?? {}
        if (shape?.kind !== 'light') continue
        this.all += rows.length
        for (let k = 0; night && k < rows.length && this.shining < MOST_LAMPS; k++) {
          const matrix = matrixOf(placed, k, new THREE.Matrix4()).premultiply(world)
          this.add(shape, look.color, matrix)
        }
      }
    }
  }

  private add(
    { light, brightness, angle }: { light: 'point' | 'spot' | 'sun'; brightness: number; angle: number },
    color: string,
    matrix: THREE.Matrix4,
  ): void {
    const at = new THREE.Vector3().setFromMatrixPosition(matrix)
    const down = new THREE.Vector3(0, -1, 0).transformDirection(matrix)
    const made =
      light === 'point'
        ? new THREE.PointLight(color, brightness)
        : light === 'spot'
          ? new THREE.SpotLight(color, brightness, 0, Math.min(angle / 2, Math.PI / 2 - 0.01), 0.2)
          : new THREE.DirectionalLight(color, brightness)
    made.position.copy(at)
    if (!(made instanceof THREE.PointLight)) {
      made.target.position.copy(at).add(down)
      this.root.add(made.target)
    }
    made.layers.enable(COMPLETING)
    this.root.add(made)
    this.shining++
  }
}
