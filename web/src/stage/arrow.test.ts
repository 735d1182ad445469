import * as THREE from 'three'
import { expect, it } from 'vitest'
import { arrowOn } from './arrow'

/** From straight in front, so many metres away, on a picture of 600 by 600. */
function seenFrom(distance: number) {
  const camera = new THREE.PerspectiveCamera(40, 1, 0.001, 1000)
  camera.position.set(0, 0, distance)
  camera.updateMatrixWorld()
  return (point: THREE.Vector3) => {
    const p = point.clone().project(camera)
    return { x: ((p.x + 1) / 2) * 600, y: ((1 - p.y) / 2) * 600, seen: p.z > -1 && p.z < 1 }
  }
}
const origin = new THREE.Vector3()

it.each([0.3, 2, 15])('B2: an arrow across is 90 pixels long, seen from %s m', (distance) => {
  const right = arrowOn(seenFrom(distance), origin, new THREE.Vector3(1, 0, 0))!
  expect(right.to.x - right.from.x).toBeCloseTo(90, 6)
  expect(right.isEndOn).toBe(false)
  expect(right.name.x).toBeGreaterThan(right.to.x)
  const down = arrowOn(seenFrom(distance), origin, new THREE.Vector3(0, -1, 0))!
  expect(down.to.y - down.from.y).toBeCloseTo(90, 6)
})

it('one that goes away from the eye is told to be end on; one that would end behind the eye is not drawn', () => {
  expect(arrowOn(seenFrom(2), origin, new THREE.Vector3(0, 0, -1))).toMatchObject({ isEndOn: true })
  expect(arrowOn(seenFrom(2), origin, new THREE.Vector3(0, 0, 1))).toBeUndefined()
})
