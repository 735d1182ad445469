import * as THREE from 'three'

/** A drawing is painted so large along its longer side. */
const DRAWING = 2048

/** A picture or a drawing as a texture; `read` is called once it is there. What this browser cannot read stays clear. */
export function pictureTexture(
  { mime, bytes }: { readonly mime: string; readonly bytes: Uint8Array },
  [width, height]: readonly [number, number],
  read: () => void,
): THREE.Texture {
  const texture = new THREE.Texture()
  texture.colorSpace = THREE.SRGBColorSpace
  const blob = new Blob([bytes as Uint8Array<ArrayBuffer>], { type: mime })
  const put = (image: ImageBitmap | HTMLCanvasElement): void => {
    texture.image = image
    texture.needsUpdate = true
    read()
  }
  if (mime !== 'image/svg+xml') {
    texture.flipY = false
    texture.center.set(0.5, 0.5)
    texture.repeat.set(1, -1)
    void createImageBitmap(blob).then(put, () => undefined)
    return texture
  }
  // A drawing is no bitmap of its own: it is painted by an image that is not in the page, which runs nothing that it holds.
  const url = URL.createObjectURL(blob)
  const image = new Image()
  image.onload = () => {
    const by = DRAWING / Math.max(width, height)
    const sheet = Object.assign(document.createElement('canvas'), {
      width: Math.max(1, Math.round(width * by)),
      height: Math.max(1, Math.round(height * by)),
    })
    sheet.getContext('2d')!.drawImage(image, 0, 0, sheet.width, sheet.height)
    URL.revokeObjectURL(url)
    put(sheet)
  }
  image.onerror = () => URL.revokeObjectURL(url)
  image.src = url
  return texture
}
