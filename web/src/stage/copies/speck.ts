import * as THREE from 'three'

/** Below so many pixels a part is seen as a box in its colour: at four pixels one corner more or less is not told apart. */
export const SPECK = 4

/** Of so many triangles a box has no fewer. */
const BOX = 12

/**
 * What a part looks like from very far: the box about it, in the mean of its colours by the area of its triangles. Undefined where
 * the part itself has no more triangles.
 *
 * @param surface its triangles, with a colour for each corner
 */
export function speckOf(surface: THREE.BufferGeometry, box: THREE.Box3): THREE.BufferGeometry | undefined {
  const corners = surface.index ? surface.index.count : surface.getAttribute('position').count
  if (corners / 3 <= BOX) return undefined
  const size = box.getSize(new THREE.Vector3())
  const speck = new THREE.BoxGeometry(...size.toArray()).translate(...box.getCenter(new THREE.Vector3()).toArray())
  speck.deleteAttribute('uv')
  speck.clearGroups()
  const count = speck.getAttribute('position').count
  const colors = new Float32Array(3 * count)
  const mean = meanColor(surface, corners)
  for (let i = 0; i < count; i++) mean.toArray(colors, 3 * i)
  speck.setAttribute('color', new THREE.BufferAttribute(colors, 3))
  return speck
}

function meanColor(surface: THREE.BufferGeometry, corners: number): THREE.Color {
  const [at, color] = [surface.getAttribute('position'), surface.getAttribute('color')]
  const [a, b, c, shade] = [new THREE.Vector3(), new THREE.Vector3(), new THREE.Vector3(), new THREE.Color()]
  const mean = new THREE.Color(0, 0, 0)
  let whole = 0
  for (let i = 0; i < corners; i += 3) {
    const [p, q, r] = [0, 1, 2].map((k) => (surface.index ? surface.index.getX(i + k) : i + k))
    a.fromBufferAttribute(at, p)
    const area = b.fromBufferAttribute(at, q).sub(a).cross(c.fromBufferAttribute(at, r).sub(a)).length()
    mean.add(shade.fromBufferAttribute(color, p).multiplyScalar(area))
    whole += area
  }
  return whole > 0 ? mean.multiplyScalar(1 / whole) : mean.set(1, 1, 1)
}
