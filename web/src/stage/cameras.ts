import * as THREE from 'three'
import type { View } from './views'
import type { Viewpoint } from './viewer'

/** Upwards, in degrees. */
export const FIELD_OF_VIEW = 30
/** From where each view looks. */
export const directions: Readonly<Record<Exclude<View, 'own'>, THREE.Vector3>> = {
  perspective: new THREE.Vector3(-0.32, 0.5, 1).normalize(),
  top: new THREE.Vector3(0, 1, 1e-4).normalize(),
  front: new THREE.Vector3(0, 0, 1),
  side: new THREE.Vector3(1, 0, 0),
  bottom: new THREE.Vector3(0, -1, 1e-4).normalize(),
  back: new THREE.Vector3(0, 0, -1),
  left: new THREE.Vector3(-1, 0, 0),
}

/** So much more than what is framed the picture is wide and high: pins and figures stand about it. */
export const MARGIN = [1.2, 1.22] as const
/** The same of a flat view, where what is near is not larger. */
const FLAT_MARGIN = 1.33
/** The same of a picture with nothing about it. */
const BARE_MARGIN = [1.1, 1.1] as const
/** So often what is framed is brought to the middle; after that it moves by less than a pixel. */
const CENTRING = 5

export const cornersAt = ({ min, max }: THREE.Box3): THREE.Vector3[] =>
  Array.from(
    { length: 8 },
    (_, c) => new THREE.Vector3(c & 1 ? max.x : min.x, c & 2 ? max.y : min.y, c & 4 ? max.z : min.z),
  )

/**
 * How far away every corner of the box is inside the picture, with a margin. What is near is seen larger, so that the middle of the box
 * is not the middle of what is seen of it: the place that is looked at is moved there.
 *
 * @param centre the middle of the box; moved
 * @param direction from where it is looked
 * @param margin so many times wider and higher the picture is
 */
export function fitted(
  box: THREE.Box3,
  centre: THREE.Vector3,
  direction: THREE.Vector3,
  aspect: number,
  margin: readonly [number, number],
): number {
  const forward = direction.clone().negate()
  const right = new THREE.Vector3().crossVectors(forward, THREE.Object3D.DEFAULT_UP).normalize()
  const up = new THREE.Vector3().crossVectors(right, forward)
  const vertical = Math.tan(THREE.MathUtils.degToRad(FIELD_OF_VIEW / 2))
  const horizontal = vertical * aspect
  let away = 0
  for (let round = 0; round < CENTRING; round++) {
    const corners = cornersAt(box).map((corner) => corner.sub(centre))
    away = 1e-3 / vertical
    for (const p of corners) {
      const nearer = -p.dot(forward)
      away = Math.max(
        away,
        nearer + (Math.abs(p.dot(right)) * margin[0]) / horizontal,
        nearer + (Math.abs(p.dot(up)) * margin[1]) / vertical,
      )
    }
    for (const axis of [right, up]) {
      const seen = corners.map((p) => p.dot(axis) / (away + p.dot(forward)))
      centre.addScaledVector(axis, ((Math.min(...seen) + Math.max(...seen)) / 2) * away)
    }
  }
  return away
}

/** The camera that shows all of a box from the front, with nothing about it. */
export function cameraOn(box: THREE.Box3, aspect: number): THREE.PerspectiveCamera {
  const { center, radius } = box.getBoundingSphere(new THREE.Sphere())
  const camera = new THREE.PerspectiveCamera(FIELD_OF_VIEW, aspect, radius / 50, radius * 60)
  const away = fitted(box, center, directions.perspective, aspect, BARE_MARGIN)
  camera.position.copy(center).addScaledVector(directions.perspective, away)
  camera.lookAt(center)
  camera.updateMatrixWorld()
  return camera
}

/** Half of how many metres a flat picture of a box is high, with a margin. */
export function flatReach(box: THREE.Box3, from: THREE.Vector3, aspect: number): number {
  const size = box.getSize(new THREE.Vector3())
  const right = new THREE.Vector3().crossVectors(THREE.Object3D.DEFAULT_UP, from).normalize()
  const up = new THREE.Vector3().crossVectors(from, right)
  const [wide, tall] = [right, up].map((v) => Math.abs(v.x) * size.x + Math.abs(v.y) * size.y + Math.abs(v.z) * size.z)
  return Math.max(tall / 2, wide / 2 / aspect, 1e-3) * FLAT_MARGIN
}

/** The camera of one of the world's views that shows all of a box. */
export function cameraOfView(
  view: Exclude<View, 'own'>,
  box: THREE.Box3,
  aspect: number,
): THREE.PerspectiveCamera | THREE.OrthographicCamera {
  if (view === 'perspective') return cameraOn(box, aspect)
  const target = box.getCenter(new THREE.Vector3())
  const eye = directions[view].clone().multiplyScalar(box.getSize(new THREE.Vector3()).length() + 1)
  const height = 2 * flatReach(box, directions[view], aspect)
  return cameraAt({ eye: eye.add(target).toArray(), target: target.toArray(), height }, aspect)
}

/** The camera of a place from which it is looked, flat where that has a height. */
export function cameraAt(
  { eye, target, height }: Viewpoint,
  aspect: number,
): THREE.PerspectiveCamera | THREE.OrthographicCamera {
  const [from, to] = [new THREE.Vector3(...eye), new THREE.Vector3(...target)]
  const away = from.distanceTo(to)
  const camera =
    height === undefined
      ? new THREE.PerspectiveCamera(FIELD_OF_VIEW, aspect, away / 200, away * 60)
      : new THREE.OrthographicCamera(
          (-height * aspect) / 2,
          (height * aspect) / 2,
          height / 2,
          -height / 2,
          -1000,
          1000,
        )
  camera.position.copy(from)
  camera.lookAt(to)
  camera.updateMatrixWorld()
  return camera
}
