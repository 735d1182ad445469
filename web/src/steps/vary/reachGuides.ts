import { readPgm } from '@hilera/core/pictures/pgm'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Driver, Reach } from '@hilera/core/values/variation'
import type { Vary } from '@hilera/core/steps/vary/schema'
import { axes } from '@hilera/core/values/values'
import { type MeshLibrary, pictureKey } from '@hilera/core/parts/partMesh'
import { fromTurns } from '@hilera/core/geometry/rotation'
import { areaOf } from '@hilera/core/scatter/area'
import * as THREE from 'three'
import { boxOfCopies } from '@hilera/core/steps/vary/startReach'
import { letGoOfAll } from '../../stage/letGo'
import type { PatternUpdate } from '../../worker/messages'

/** Sides of a circle that is drawn. */
const SIDES = 96

/** Where a variation reaches, and the picture that drives it, on the stage while its sentence is read. */
export class ReachGuides {
  readonly root = new THREE.Group()

  show(pattern: Pattern, step: Vary, update: PatternUpdate, meshes: MeshLibrary, color: string): void {
    this.clear()
    this.root.position.set(...pattern.place.move)
    this.root.quaternion.set(...fromTurns(pattern.place.turn))
    if (step.reach) this.drawReach(step.reach, update, color)
    if (step.by?.kind === 'picture') this.drawPicture(step.by, meshes)
  }

  private drawReach({ from, full, none }: Reach, update: PatternUpdate, color: string): void {
    if (from.kind === 'point') {
      const at = new THREE.Vector3(...from.point)
      const arm = 0.04 * Math.max(full, none, 0.05)
      const cross = [new THREE.Vector3(1, 0, 0), new THREE.Vector3(0, 1, 0), new THREE.Vector3(0, 0, 1)].flatMap(
        (way) => [at.clone().addScaledVector(way, -arm), at.clone().addScaledVector(way, arm)],
      )
      this.add(new THREE.LineSegments(this.points(cross), this.ink(color)))
      for (const [radius, dashed] of [
        [full, false],
        [none, true],
      ] as const)
        if (radius > 0) this.line(ring(at, radius), color, dashed)
    }
    if (from.kind === 'outline') {
      const [x, z] = from.middle
      for (const corners of areaOf(from.outline).rings) {
        const points = Array.from(
          { length: corners.length / 2 + 1 },
          (_, i) =>
            new THREE.Vector3(x + corners[(2 * i) % corners.length], 0, z + corners[(2 * i + 1) % corners.length]),
        )
        this.line(points, color, false)
      }
    }
    if (from.kind === 'plane') {
      const { middle, size } = boxOfCopies(update.table)
      const i = axes.indexOf(from.axis)
      const [u, v] = [0, 1, 2].filter((k) => k !== i)
      for (const [off, dashed] of [
        [0, false],
        [-none, true],
        [none, true],
      ] as const) {
        const corner = (a: number, b: number): THREE.Vector3 => {
          const at = new THREE.Vector3(...middle)
          at.setComponent(i, from.at + off)
          at.setComponent(u, middle[u] + a * Math.max(size[u] / 2, 0.02) * 1.1)
          at.setComponent(v, middle[v] + b * Math.max(size[v] / 2, 0.02) * 1.1)
          return at
        }
        this.line([corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1), corner(-1, -1)], color, dashed)
      }
    }
  }

  private drawPicture(by: Extract<Driver, { kind: 'picture' }>, meshes: MeshLibrary): void {
    const bytes = meshes.get(pictureKey(by.file))?.pictures?.[0].bytes
    const read = bytes && readPgm(bytes, by.fileName)
    if (!read?.ok) return
    const { width, height, values, most } = read.value
    const texture = new THREE.DataTexture(
      Uint8Array.from({ length: 4 * values.length }, (_, i) => (i % 4 === 3 ? 255 : (255 * values[i >> 2]) / most)),
      width,
      height,
    )
    texture.colorSpace = THREE.SRGBColorSpace
    // Its first row is its top.
    texture.flipY = true
    texture.magFilter = texture.minFilter = THREE.LinearFilter
    texture.needsUpdate = true
    const geometry = new THREE.PlaneGeometry(by.width, (by.width * height) / width)
    const material = new THREE.MeshBasicMaterial({
      map: texture,
      transparent: true,
      opacity: 0.55,
      side: THREE.DoubleSide,
      depthWrite: false,
    })
    const plane = new THREE.Mesh(geometry, material)
    if (by.plane === 'ground') {
      plane.rotation.x = -Math.PI / 2
      plane.position.set(by.middle[0], 0.0005, by.middle[1])
    } else plane.position.set(by.middle[0], by.middle[1], 0)
    plane.renderOrder = 1
    this.add(plane)
  }

  private line(points: THREE.Vector3[], color: string, dashed: boolean): void {
    const line = new THREE.Line(this.points(points), this.ink(color, dashed))
    if (dashed) line.computeLineDistances()
    this.add(line)
  }

  private points(points: readonly THREE.Vector3[]): THREE.BufferGeometry {
    return new THREE.BufferGeometry().setFromPoints([...points])
  }

  private ink(color: string, dashed = false): THREE.LineBasicMaterial {
    const look = { color, depthTest: false, transparent: true }
    return dashed
      ? new THREE.LineDashedMaterial({ ...look, dashSize: 0.012, gapSize: 0.008 })
      : new THREE.LineBasicMaterial(look)
  }

  private add(object: THREE.Mesh | THREE.Line): void {
    object.renderOrder ||= 4
    this.root.add(object)
  }

  clear(): void {
    letGoOfAll(this.root)
  }
}

const ring = (at: THREE.Vector3, radius: number): THREE.Vector3[] =>
  Array.from({ length: SIDES + 1 }, (_, i) => {
    const angle = (2 * Math.PI * i) / SIDES
    return new THREE.Vector3(at.x + radius * Math.cos(angle), at.y, at.z + radius * Math.sin(angle))
  })
