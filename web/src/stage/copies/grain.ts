import type { grainOf } from '@hilera/core/parts/guise'
import type * as THREE from 'three'

type Grain = NonNullable<ReturnType<typeof grainOf>>

/**
 * Draws a part's grain as stripes on its surfaces: they run along a direction of its own axes, on every face as that face sees
 * it, and turn with each copy.
 */
export function drawGrain(material: THREE.Material, { way, ends, width }: Grain): void {
  material.onBeforeCompile = (shader) => {
    shader.uniforms.grainWay = { value: way }
    shader.uniforms.grainEnds = { value: ends }
    shader.uniforms.grainWidth = { value: width }
    shader.vertexShader = shader.vertexShader
      .replace('#include <common>', '#include <common>\nvarying vec3 grainAt;\nvarying vec3 grainNormal;')
      .replace('#include <begin_vertex>', '#include <begin_vertex>\ngrainAt = position;\ngrainNormal = normal;')
    shader.fragmentShader = shader.fragmentShader
      .replace(
        '#include <common>',
        '#include <common>\nuniform vec3 grainWay;\nuniform vec3 grainEnds;\nuniform float grainWidth;\nvarying vec3 grainAt;\nvarying vec3 grainNormal;',
      )
      .replace('#include <color_fragment>', `#include <color_fragment>\n${stripes}`)
  }
  material.customProgramCacheKey = () => 'grain'
}

/** Where a face looks along the grain, as at a board's end, its stripes are rings' ends. */
const stripes = /* glsl */ `
  vec3 grainAcross = cross(normalize(grainNormal), grainWay);
  if (dot(grainAcross, grainAcross) < 0.04) grainAcross = grainEnds;
  float grainPlace = dot(grainAt, normalize(grainAcross)) / grainWidth;
  float grainStripe = smoothstep(0.18, 0.32, abs(fract(grainPlace) - 0.5));
  diffuseColor.rgb *= mix(0.66, 1.0, grainStripe);
`
