import type * as THREE from 'three'
import { pictureBeside } from './beside'
import { cameraOn } from './cameras'
import type { Viewer } from './viewer'

/** As good as it looks, at a sixth of what it takes without a loss. A browser that cannot write WebP gives a PNG. */
const QUALITY = 0.8

/**
 * A small picture of all that stands in a box, on the stage's ground. It is drawn beside the stage, which stays as it is, and read when
 * the graphics side is done with it: nothing waits.
 *
 * @returns a picture as an address of data; undefined where there is nothing to see, or nobody to see it
 */
export async function smallPicture(
  viewer: Viewer,
  box: THREE.Box3,
  width: number,
  height: number,
): Promise<string | undefined> {
  if (box.isEmpty()) return undefined
  const pixels = await pictureBeside(viewer, cameraOn(box, width / height), width, height)
  if (!pixels) return undefined
  const sheet = Object.assign(document.createElement('canvas'), { width, height })
  const paint = sheet.getContext('2d')
  if (!paint) return undefined
  paint.putImageData(pixels, 0, 0)
  return sheet.toDataURL('image/webp', QUALITY)
}
