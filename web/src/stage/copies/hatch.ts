import * as THREE from 'three'
import { placedShader } from './placed'

/** Slanting lines on the screen over the surface of what they mark: seen without telling colours apart. */
export const hatchMaterial = (): THREE.ShaderMaterial =>
  new THREE.ShaderMaterial({
    transparent: true,
    depthWrite: false,
    polygonOffset: true,
    polygonOffsetFactor: -1,
    polygonOffsetUnits: -1,
    uniforms: { color: { value: new THREE.Color() } },
    vertexShader: /* glsl */ `
      ${placedShader}
      void main() {
        gl_Position = projectionMatrix * modelViewMatrix * vec4(placedPoint(position), 1.0);
      }
    `,
    fragmentShader: /* glsl */ `
      uniform vec3 color;
      void main() {
        float line = step(0.62, fract((gl_FragCoord.x + gl_FragCoord.y) / 7.0));
        gl_FragColor = vec4(color, 0.16 + 0.74 * line);
        #include <colorspace_fragment>
      }
    `,
  })
