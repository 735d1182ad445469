import * as THREE from 'three'

const vertex = /* glsl */ `
  attribute mat4 placed;
  void main() {
    gl_Position = projectionMatrix * modelViewMatrix * placed * vec4(position, 1.0);
  }
`
const fragment = /* glsl */ `
  uniform vec3 color;
  uniform float strength;
  void main() {
    gl_FragColor = vec4(color, strength);
  }
`

/** The thin ink edges of many copies in one draw call; shares the copies' matrices with their surfaces. */
export function inkLines(
  edges: Float32Array,
  matrices: Float32Array,
  material: THREE.ShaderMaterial,
): THREE.LineSegments {
  const geometry = new THREE.InstancedBufferGeometry()
  geometry.setAttribute('position', new THREE.BufferAttribute(edges, 3))
  geometry.setAttribute('placed', new THREE.InstancedBufferAttribute(matrices, 16))
  geometry.instanceCount = matrices.length / 16
  const lines = new THREE.LineSegments(geometry, material)
  lines.frustumCulled = false
  return lines
}

export const inkMaterial = (color: string, strength: number): THREE.ShaderMaterial =>
  new THREE.ShaderMaterial({
    vertexShader: vertex,
    fragmentShader: fragment,
    transparent: true,
    depthWrite: false,
    uniforms: { color: { value: new THREE.Color(color) }, strength: { value: strength } },
  })
