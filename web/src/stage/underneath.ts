import { StandingSurface } from '@hilera/core/contact/standing'
import { groundSourceOf } from '@hilera/core/evaluation/resting'
import { surfaceOf } from '@hilera/core/grounds/index'
import type { Surface } from '@hilera/core/grounds/surface'
import { surfaceTreeOf } from '@hilera/core/contact/surfaceTree'
import type { Mesh } from '@hilera/core/geometry/mesh'
import type { Ground } from '@hilera/core/model/ground'
import type { Project } from '@hilera/core/model/project'
import { type PartSource, pictureKey } from '@hilera/core/parts/partMesh'
import { type Plan, planAxes } from '@hilera/core/plans/plan'
import * as THREE from 'three'
import { pictureTexture } from './pictureTexture'
import { type View, hiddenAxis } from './views'

/** Faces that meet at less than this many degrees are one surface. */
const EDGE = 20
/** The axis that a plan faces. */
const FACING = { ground: 1, front: 2, side: 0 } as const

/** Where a ray meets what lies under the arrangement. */
export interface GroundHit {
  readonly point: THREE.Vector3
  readonly normal: THREE.Vector3
  readonly distance: number
}

interface Drawn {
  readonly of: unknown
  readonly surface?: Surface
  /** As it stands in the world. */
  standing?: StandingSurface
  readonly mesh: THREE.Mesh
}

/** Grounds as surfaces of sand, and plans as sheets that are lain on: neither swallows a click. */
export class Underneath {
  readonly root = new THREE.Group()
  private readonly drawn = new Map<string, Drawn>()
  private readonly sand: THREE.Material
  private readonly line = new THREE.LineBasicMaterial({ color: '#8d8471', transparent: true, opacity: 0.7 })
  private plans: readonly Plan[] = []
  private view: View = 'perspective'

  constructor(
    private readonly fine: boolean,
    private readonly pictureRead: () => void,
  ) {
    const look = {
      color: '#e6dece',
      side: THREE.DoubleSide,
      polygonOffset: true,
      polygonOffsetFactor: 2,
      polygonOffsetUnits: 2,
    }
    this.sand = fine
      ? new THREE.MeshStandardMaterial({ ...look, roughness: 0.95, metalness: 0 })
      : new THREE.MeshLambertMaterial(look)
  }

  /** Brings the stage to what lies under the arrangement; redraws only what changed. */
  show({ grounds, plans }: Pick<Project, 'grounds' | 'plans'>, source: PartSource): void {
    const from = groundSourceOf(source)
    const shown = new Set<string>()
    for (const ground of grounds) {
      const surface = ground.hidden ? undefined : surfaceOf(ground.shape, from)
      if (!surface) continue
      shown.add(ground.id)
      const known = this.drawn.get(ground.id)
      if (known?.surface !== surface)
        this.put(ground.id, { of: ground.shape, surface, mesh: this.meshOf(surface.mesh()) })
      const drawn = this.drawn.get(ground.id)!
      drawn.standing = new StandingSurface(surface, ground.move, ground.turn)
      stand(drawn.mesh, ground)
    }
    for (const plan of plans) {
      const bytes = plan.hidden ? undefined : source.meshes.get(pictureKey(plan.file))?.pictures?.[0]
      if (!bytes) continue
      shown.add(plan.id)
      const known = this.drawn.get(plan.id)
      if (known?.of !== bytes) this.put(plan.id, { of: bytes, mesh: this.sheetOf(plan, bytes) })
      lie(this.drawn.get(plan.id)!.mesh, plan)
    }
    for (const id of this.drawn.keys()) if (!shown.has(id)) this.drop(id)
    this.plans = plans
    this.face(this.view)
    this.root.updateMatrixWorld(true)
  }

  /** In a flat view that looks straight at a plan it shows on the grounds, under the copies. */
  face(view: View): void {
    this.view = view
    for (const plan of this.plans) {
      const sheet = this.drawn.get(plan.id)?.mesh.material as THREE.Material | undefined
      if (sheet) sheet.depthTest = hiddenAxis[view] !== FACING[plan.lies]
    }
  }

  private put(id: string, drawn: Drawn): void {
    this.drop(id)
    this.drawn.set(id, drawn)
    this.root.add(drawn.mesh)
  }
  private drop(id: string): void {
    const before = this.drawn.get(id)
    if (!before) return
    this.drawn.delete(id)
    this.root.remove(before.mesh)
    before.mesh.geometry.dispose()
    for (const edges of before.mesh.children) (edges as THREE.LineSegments).geometry.dispose()
    if (before.mesh.material !== this.sand) {
      const sheet = before.mesh.material as THREE.MeshBasicMaterial
      sheet.map?.dispose()
      sheet.dispose()
    }
  }

  private meshOf({ positions, normals, indices }: Mesh): THREE.Mesh {
    const geometry = new THREE.BufferGeometry()
    geometry.setAttribute('position', new THREE.BufferAttribute(positions, 3))
    geometry.setAttribute('normal', new THREE.BufferAttribute(normals, 3))
    geometry.setIndex(new THREE.BufferAttribute(indices, 1))
    const mesh = new THREE.Mesh(geometry, this.sand)
    mesh.receiveShadow = this.fine
    mesh.renderOrder = -3
    mesh.add(new THREE.LineSegments(new THREE.EdgesGeometry(geometry, EDGE), this.line))
    return mesh
  }
  private sheetOf(plan: Plan, picture: { readonly mime: string; readonly bytes: Uint8Array }): THREE.Mesh {
    const material = new THREE.MeshBasicMaterial({
      map: pictureTexture(picture, plan.pixels, this.pictureRead),
      // Among what is opaque, so that it is drawn before the copies and after the grounds, but seen through.
      blending: THREE.CustomBlending,
      // What is behind the canvas does not come through.
      blendSrcAlpha: THREE.OneFactor,
      blendDstAlpha: THREE.OneMinusSrcAlphaFactor,
      depthWrite: false,
      side: THREE.DoubleSide,
      toneMapped: false,
      polygonOffset: true,
      polygonOffsetFactor: 4,
      polygonOffsetUnits: 4,
    })
    const mesh = new THREE.Mesh(new THREE.PlaneGeometry(1, 1), material)
    mesh.renderOrder = -2
    return mesh
  }

  /** The nearest ground that a ray in the world meets. */
  pick(ray: THREE.Ray): GroundHit | undefined {
    let best: GroundHit | undefined
    for (const { surface, mesh } of this.drawn.values()) {
      if (!surface) continue
      const own = ray.clone().applyMatrix4(mesh.matrixWorld.clone().invert())
      const hit = surfaceTreeOf(surface.mesh()).tree.raycastFirst(own, THREE.DoubleSide)
      if (!hit) continue
      const point = hit.point.clone()
      const normal = hit.face!.normal.clone()
      // The drawn triangles stand for a surface that may bend: the place is one of the surface itself.
      const place = new Float64Array(4)
      if (surface.at(point.x, point.z, place) && Math.abs(place[0] - point.y) < 0.02 * (1 + Math.abs(point.y))) {
        point.y = place[0]
        normal.set(place[1], place[2], place[3])
      }
      if (normal.y < 0) normal.negate()
      point.applyMatrix4(mesh.matrixWorld)
      const distance = point.distanceTo(ray.origin)
      if (!best || distance < best.distance)
        best = { point, normal: normal.transformDirection(mesh.matrixWorld), distance }
    }
    return best
  }

  /** Height and normal of the topmost ground at a place of the world. */
  placeAt(x: number, z: number): Float64Array | undefined {
    const [found, lower] = [new Float64Array(4), new Float64Array(4)]
    let isThere = false
    for (const { standing } of this.drawn.values()) {
      if (!standing?.at(x, z, lower) || (isThere && lower[0] <= found[0])) continue
      found.set(lower)
      isThere = true
    }
    return isThere ? found : undefined
  }

  /** About a ground or a plan as it is drawn, in the world; empty where it is not. */
  box(id: string): THREE.Box3 {
    const drawn = this.drawn.get(id)
    return drawn ? new THREE.Box3().setFromObject(drawn.mesh) : new THREE.Box3()
  }

  dispose(): void {
    for (const id of [...this.drawn.keys()]) this.drop(id)
    this.sand.dispose()
    this.line.dispose()
  }
}

function stand(mesh: THREE.Mesh, { move, turn }: Ground): void {
  mesh.position.set(...move)
  mesh.rotation.set(0, turn, 0)
}

function lie(mesh: THREE.Mesh, plan: Plan): void {
  const [right, up, out] = planAxes(plan).map((axis) => new THREE.Vector3(...axis))
  mesh.quaternion.setFromRotationMatrix(new THREE.Matrix4().makeBasis(right, up, out))
  mesh.position.set(...plan.move)
  mesh.scale.set(plan.perPixel * plan.pixels[0], plan.perPixel * plan.pixels[1], 1)
  ;(mesh.material as THREE.MeshBasicMaterial).opacity = plan.strength
}
