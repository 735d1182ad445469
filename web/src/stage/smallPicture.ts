import * as THREE from 'three'
import { cameraOn } from './cameras'
import type { Viewer } from './viewer'

/** A copy more or less is not seen in a small picture: of larger crowds it shows so much work, in triangles and lines. */
const MOST = 400_000
/** As good as it looks, at a sixth of what it takes without a loss. A browser that cannot write WebP gives a PNG. */
const QUALITY = 0.8

/**
 * A small picture of all that stands in a box, on the stage's ground. It is drawn beside the stage, which stays as it is, and read when
 * the graphics side is done with it: nothing waits.
 *
 * @returns a picture as an address of data; undefined where there is nothing to see
 */
export async function smallPicture(
  viewer: Viewer,
  box: THREE.Box3,
  width: number,
  height: number,
): Promise<string | undefined> {
  if (box.isEmpty()) return undefined
  const { renderer, scene, frames } = viewer
  const camera = cameraOn(box, width / height)
  const target = new THREE.WebGLRenderTarget(width, height, { samples: 4, type: THREE.HalfFloatType })
  const pixels = new Uint16Array(4 * width * height)
  try {
    frames.beside(camera, height, MOST, () => {
      renderer.setRenderTarget(target)
      renderer.render(scene, camera)
      renderer.setRenderTarget(null)
    })
    await renderer.readRenderTargetPixelsAsync(target, 0, 0, width, height, pixels)
  } finally {
    target.dispose()
  }
  const sheet = Object.assign(document.createElement('canvas'), { width, height })
  const paint = sheet.getContext('2d')
  if (!paint) return undefined
  const ground = new THREE.Color(getComputedStyle(viewer.canvas).getPropertyValue('--stage').trim() || '#f1ece1')
  paint.putImageData(new ImageData(onGround(pixels, width, height, ground), width, height), 0, 0)
  return sheet.toDataURL('image/webp', QUALITY)
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
      const by = covers > 0 ? 1 / covers : 0
      seen.setRGB(linear(from) * by, linear(from + 1) * by, linear(from + 2) * by).convertLinearToSRGB()
      out[to] = 255 * (seen.r * covers + below.r * (1 - covers))
      out[to + 1] = 255 * (seen.g * covers + below.g * (1 - covers))
      out[to + 2] = 255 * (seen.b * covers + below.b * (1 - covers))
      out[to + 3] = 255
    }
  return out
}
