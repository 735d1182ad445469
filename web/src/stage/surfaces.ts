import type { Part } from '@hilera/core/model/part'
import type { Mesh, MeshPicture } from '@hilera/core/solids/mesh'
import * as THREE from 'three'
import { drawGrain } from './grain'

/**
 * The materials of a part: one for its plain surfaces, coloured by vertex, and one for each picture.
 *
 * @param pictureRead called when a picture has been read and the stage should be drawn again
 */
export function surfaceOf(
  part: Part,
  mesh: Mesh,
  fine: boolean,
  pictureRead: () => void,
): THREE.Material | THREE.Material[] {
  const plain = materialOf(part, fine)
  if (!mesh.pictures) return plain
  return [plain, ...mesh.pictures.map((picture) => materialOf(part, fine, textureOf(picture, pictureRead)))]
}

export function disposeSurface(surface: THREE.Material | THREE.Material[]): void {
  for (const material of [surface].flat()) {
    if ('map' in material && material.map instanceof THREE.Texture) material.map.dispose()
    material.dispose()
  }
}

function materialOf(part: Part, fine: boolean, map: THREE.Texture | null = null): THREE.Material {
  const common = { vertexColors: true, map, polygonOffset: true, polygonOffsetFactor: 1, polygonOffsetUnits: 1 }
  const { color, roughness, metal, glow = 0, grain } = part.look
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
