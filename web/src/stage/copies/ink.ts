import * as THREE from 'three'
import { placedShader } from './placed'

/**
 * Ink keeps to a share of what it lies on. A line is one pixel wide at any distance; the copy under it is not, and from afar its edges
 * would cover it: 100 000 boxes were a black sheet. `inked` holds the copy's radius and how long its edges are beside its width,
 * which together tell how much of its picture they would cover.
 */
const vertex = /* glsl */ `
  ${placedShader}
  attribute vec2 inked;
  uniform float height;
  uniform float least;
  varying float share;
  void main() {
    gl_Position = projectionMatrix * modelViewMatrix * vec4(placedPoint(position), 1.0);
    float scale = max(placedSize.x, max(placedSize.y, placedSize.z));
    // As wide as the copy is seen, in pixels.
    float width = inked.x * scale * projectionMatrix[1][1] * height / max(gl_Position.w, 1e-6);
    float full = clamp(0.35 * width / inked.y, 0.0, 1.0);
    share = max(full * full, least);
    // What would not be seen is not drawn.
    if (share < 0.01) gl_Position = vec4(2.0, 2.0, 2.0, 1.0);
  }
`
const fragment = /* glsl */ `
  uniform vec3 color;
  uniform float strength;
  varying float share;
  void main() {
    gl_FragColor = vec4(color, strength * share);
  }
`

/**
 * The ink edges of a part as they are drawn: with how much of its picture they cover.
 *
 * @param edges as pairs of points
 * @param radius how far the part reaches from its middle
 */
export function inkShape(edges: Float32Array, radius: number): THREE.BufferGeometry {
  const shape = new THREE.BufferGeometry()
  shape.setAttribute('position', new THREE.BufferAttribute(edges, 3))
  const inked = new Float32Array((2 * edges.length) / 3)
  const times = Math.max(lengthOf(edges) / Math.max(2 * radius, 1e-12), 1)
  for (let i = 0; i < inked.length; i += 2) inked.set([radius, times], i)
  shape.setAttribute('inked', new THREE.BufferAttribute(inked, 2))
  return shape
}

function lengthOf(edges: Float32Array): number {
  let length = 0
  for (let i = 0; i < edges.length; i += 6)
    length += Math.hypot(edges[i] - edges[i + 3], edges[i + 1] - edges[i + 4], edges[i + 2] - edges[i + 5])
  return length
}

export const inkMaterial = (color: string, strength: number): THREE.ShaderMaterial =>
  new THREE.ShaderMaterial({
    vertexShader: vertex,
    fragmentShader: fragment,
    transparent: true,
    depthWrite: false,
    uniforms: {
      color: { value: new THREE.Color(color) },
      strength: { value: strength },
      /** The picture's own, in pixels. */
      height: { value: 1 },
      /** So much is left of it from however far: all there is where things are drawn as ink alone. */
      least: { value: 0 },
    },
  })
