import * as THREE from 'three'
import type { Viewer } from './viewer'

/** A copy more or less is not seen in a small picture: of larger crowds it shows so much work, in triangles and lines. */
const MOST = 400_000

/**
 * What another camera sees of the stage, on the stage's ground. It is drawn beside the stage, which stays as it is, and read when the
 * graphics side is done with it: nothing waits.
 *
 * @param width of the picture, in its own pixels, as is its height
 * @returns undefined where the stage was left before the picture could be read
 */
export async function pictureBeside(
  viewer: Viewer,
  camera: THREE.PerspectiveCamera | THREE.OrthographicCamera,
  width: number,
  height: number,
): Promise<ImageData | undefined> {
  const { renderer, scene, frames } = viewer
  const target = new THREE.WebGLRenderTarget(width, height, { samples: 4, type: THREE.HalfFloatType })
  const pixels = new Uint16Array(4 * width * height)
  try {
    frames.beside(camera, height, MOST, () => {
      renderer.setRenderTarget(target)
      renderer.render(scene, camera)
      renderer.setRenderTarget(null)
    })
    await renderer.readRenderTargetPixelsAsync(target, 0, 0, width, height, pixels)
  } catch (fault) {
    // three rejects without a reason where the graphics side is gone while it is waited for.
    if (fault !== undefined) throw fault
    return undefined
  } finally {
    target.dispose()
  }
  const ground = new THREE.Color(getComputedStyle(viewer.canvas).getPropertyValue('--stage').trim() || '#f1ece1')
  return new ImageData(onGround(pixels, width, height, ground), width, height)
}

/** Linear light, multiplied by how much of it covers the ground and from the lowest line up, as seen on the ground from the top down. */
function onGround(
  pixels: Uint16Array,
  width: number,
  height: number,
  ground: THREE.Color,
): Uint8ClampedArray<ArrayBuffer> {
  const out = new Uint8ClampedArray(4 * width * height)
  const [seen, below] = [new THREE.Color(), ground.clone().convertLinearToSRGB()]
  const linear = (at: number): number => THREE.DataUtils.fromHalfFloat(pixels[at])
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const from = 4 * ((height - 1 - y) * width + x)
      const to = 4 * (y * width + x)
      const covers = Math.min(1, linear(from + 3))
      // Most of a picture is ground.
      if (covers > 0) {
        seen.setRGB(linear(from) / covers, linear(from + 1) / covers, linear(from + 2) / covers).convertLinearToSRGB()
        seen.lerp(below, 1 - covers)
      } else seen.copy(below)
      out[to] = 255 * seen.r
      out[to + 1] = 255 * seen.g
      out[to + 2] = 255 * seen.b
      out[to + 3] = 255
    }
  return out
}
