import type { Part } from '@hilera/core/model/part'
import type { grainOf } from '@hilera/core/parts/guise'
import type { Mesh, MeshPicture } from '@hilera/core/geometry/mesh'
import * as THREE from 'three'
import { drawGrain } from './grain'

/** How a part is drawn: finely or lightly, with its grain as it lies on the copies, as a ghost of what is only proposed. */
export interface Drawn {
  readonly fine: boolean
  readonly grain?: ReturnType<typeof grainOf> | undefined
  readonly ghost?: boolean
}

/**
 * The materials of a part: one for its plain surfaces, coloured by vertex, and one for each picture.
 *
 * @param pictureRead called when a picture has been read and the stage should be drawn again
 */
export function surfaceOf(
  part: Part,
  mesh: Mesh,
  { fine, grain, ghost = false }: Drawn,
  pictureRead: () => void,
): THREE.Material | THREE.Material[] {
  const drawn = { fine, ghost, ...(grain && { grain }) }
  const plain = materialOf(part, drawn)
  if (!mesh.pictures) return plain
  return [plain, ...mesh.pictures.map((picture) => materialOf(part, drawn, textureOf(picture, pictureRead)))]
}

function materialOf(part: Part, { fine, grain, ghost }: Drawn, map: THREE.Texture | null = null): THREE.Material {
  const seenThrough = ghost ? { transparent: true, opacity: 0.42, depthWrite: false } : {}
  const common = {
    vertexColors: true,
    map,
    polygonOffset: true,
    polygonOffsetFactor: 1,
    polygonOffsetUnits: 1,
    ...seenThrough,
  }
  const { color, roughness, metal, glow = 0 } = part.look
  // A light's sign is always seen; what only stands for something is seen through.
  if (part.shape.kind === 'light') return new THREE.MeshBasicMaterial(common)
  if (part.shape.kind === 'placeholder')
    return new THREE.MeshLambertMaterial({ ...common, transparent: true, opacity: 0.28, depthWrite: false })
  const shining = glow > 0 ? { emissive: new THREE.Color(color), emissiveIntensity: glow } : {}
  const material = fine
    ? new THREE.MeshStandardMaterial({ ...common, ...shining, roughness, metalness: metal })
    : new THREE.MeshLambertMaterial({ ...common, ...shining })
  if (grain) drawGrain(material, grain)
  return material
}

function textureOf(picture: MeshPicture, read: () => void): THREE.Texture {
  const texture = new THREE.Texture()
  texture.colorSpace = THREE.SRGBColorSpace
  texture.wrapS = texture.wrapT = THREE.RepeatWrapping
  texture.flipY = false
  void createImageBitmap(new Blob([picture.bytes as Uint8Array<ArrayBuffer>], { type: picture.mime })).then(
    (image) => {
      texture.image = image
      texture.needsUpdate = true
      read()
    },
    // A picture that this browser cannot read leaves its surface in its plain colour.
    () => undefined,
  )
  return texture
}
