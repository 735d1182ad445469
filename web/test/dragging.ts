import * as THREE from 'three'
import type { Viewer } from '../src/stage/viewer'

/** A view from above in which a pixel is a millimetre, and up on the screen is up in the world with Shift. */
export const viewer = {
  canvas: { getBoundingClientRect: () => ({ left: 0, top: 0 }) },
  metresPerPixel: () => 0.001,
  dragNormal: () => new THREE.Vector3(0, 1, 0),
  onPlane: (x: number, y: number, at: THREE.Vector3) => new THREE.Vector3(x / 1000, at.y, y / 1000),
  alongLine: (x: number, y: number, at: THREE.Vector3, along: THREE.Vector3) =>
    along.y > 0.5 ? -y / 1000 : new THREE.Vector3(x / 1000 - at.x, 0, y / 1000 - at.z).dot(along),
} as unknown as Viewer

export const pointer = (type: string, x: number, y: number, more: object = {}): PointerEvent =>
  Object.assign(new MouseEvent(type, { clientX: x, clientY: y, ...more })) as unknown as PointerEvent
export const go = (x: number, y: number, more: object = {}): void =>
  void window.dispatchEvent(pointer('pointermove', x, y, more) as unknown as Event)
export const letGo = (): void => void window.dispatchEvent(pointer('pointerup', 0, 0) as unknown as Event)
