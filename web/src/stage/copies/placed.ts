import * as THREE from 'three'
import { PLACED } from '../../worker/batches'

/** Reads the ten floats of a copy, and stands a point or a normal of its part where it is. For shaders by hand. */
export const placedShader = /* glsl */ `
  attribute vec3 placedMove;
  attribute vec4 placedTurn;
  attribute vec3 placedSize;
  vec3 placedWay(vec3 v) {
    return v + 2.0 * cross(placedTurn.xyz, cross(placedTurn.xyz, v) + placedTurn.w * v);
  }
  vec3 placedPoint(vec3 p) {
    return placedMove + placedWay(placedSize * p);
  }
  /** Normals lean by the inverse of the sizes. */
  vec3 placedNormal(vec3 n) {
    return placedWay(n / placedSize);
  }
`

/** Has a material of three's stand what it draws where copies are; what it does to shaders already is kept. */
export function standPlaced<M extends THREE.Material>(material: M): M {
  const [before, key] = [material.onBeforeCompile.bind(material), material.customProgramCacheKey.bind(material)]
  material.onBeforeCompile = (shader, renderer) => {
    before(shader, renderer)
    shader.vertexShader = shader.vertexShader
      .replace('#include <common>', `#include <common>\n${placedShader}`)
      .replace(
        '#include <beginnormal_vertex>',
        '#include <beginnormal_vertex>\nobjectNormal = placedNormal(objectNormal);',
      )
      .replace('#include <begin_vertex>', '#include <begin_vertex>\ntransformed = placedPoint(transformed);')
  }
  material.customProgramCacheKey = () => `placed ${key()}`
  return material
}

/**
 * Has a material that stands what it draws where copies are lay a tint over the colour of each: red, green and blue times its share, and the
 * share of the own colour. Where nothing is tinted there is no such attribute, and graphics have 0, 0, 0, 1 for it: the own colour alone.
 */
export function tintPlaced<M extends THREE.Material>(material: M): M {
  const [before, key] = [material.onBeforeCompile.bind(material), material.customProgramCacheKey.bind(material)]
  material.onBeforeCompile = (shader, renderer) => {
    before(shader, renderer)
    shader.vertexShader = shader.vertexShader
      .replace('#include <common>', '#include <common>\nattribute vec4 placedTint;\nvarying vec4 tintOfCopy;')
      .replace('#include <begin_vertex>', '#include <begin_vertex>\ntintOfCopy = placedTint;')
    shader.fragmentShader = shader.fragmentShader
      .replace('#include <common>', '#include <common>\nvarying vec4 tintOfCopy;')
      .replace(
        '#include <color_fragment>',
        '#include <color_fragment>\ndiffuseColor.rgb = diffuseColor.rgb * tintOfCopy.w + tintOfCopy.rgb;',
      )
  }
  material.customProgramCacheKey = () => `tinted ${key()}`
  return material
}

/** The places of copies on the graphics side; one of these is shared by all that is drawn of them. */
export type PlacedBuffer = THREE.InstancedInterleavedBuffer

/** @param placed ten floats a copy; sent as it is when it is first drawn */
export const placedBuffer = (placed: Float32Array): PlacedBuffer => new THREE.InstancedInterleavedBuffer(placed, PLACED)

/** What is drawn once for each copy: the attributes of a shape, which may be shared with others, at the places of copies. */
export function placedGeometry(shape: THREE.BufferGeometry, buffer: PlacedBuffer): THREE.InstancedBufferGeometry {
  const geometry = new THREE.InstancedBufferGeometry()
  for (const [name, attribute] of Object.entries(shape.attributes)) geometry.setAttribute(name, attribute)
  geometry.setIndex(shape.index)
  for (const { start, count, materialIndex } of shape.groups) geometry.addGroup(start, count, materialIndex)
  geometry.setAttribute('placedMove', new THREE.InterleavedBufferAttribute(buffer, 3, 0))
  geometry.setAttribute('placedTurn', new THREE.InterleavedBufferAttribute(buffer, 4, 3))
  geometry.setAttribute('placedSize', new THREE.InterleavedBufferAttribute(buffer, 3, 7))
  geometry.instanceCount = buffer.count
  return geometry
}

/** Frees the places of copies on the graphics side; what the shape holds there stays for others who share it. */
export function letGoOfPlaced(geometry: THREE.BufferGeometry): void {
  for (const name of Object.keys(geometry.attributes)) if (!name.startsWith('placed')) geometry.deleteAttribute(name)
  geometry.setIndex(null)
  geometry.dispose()
}

/** One copy's place as a matrix. */
export function matrixOf(placed: Float32Array, copy: number, out: THREE.Matrix4): THREE.Matrix4 {
  const at = PLACED * copy
  return out.compose(move.fromArray(placed, at), turn.fromArray(placed, at + 3), size.fromArray(placed, at + 7))
}

const [move, turn, size] = [new THREE.Vector3(), new THREE.Quaternion(), new THREE.Vector3()]
