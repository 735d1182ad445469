import { Bodies } from '@hilera/core/clearing/bodies'
import { type Convex } from '@hilera/core/clearing/convex'
import { convexOf } from '@hilera/core/parts/convex'
import { Flag, InstanceTable } from '@hilera/core/instances'
import type { Part } from '@hilera/core/model/part'
import type { Pattern } from '@hilera/core/model/pattern'
import type { PartSource } from '@hilera/core/parts/partMesh'
import { fromTurns } from '@hilera/core/geometry/rotation'
import * as THREE from 'three'
import { mergeVertices } from 'three/addons/utils/BufferGeometryUtils.js'
import { placedBuffer, placedGeometry, placedShader } from './copies/placed'
import { letGoOfAll } from './letGo'
import type { PatternUpdate } from '../worker/messages'

/** What shells are drawn round: the copies of a pattern, and how far from them. */
export interface ShellsOf {
  readonly pattern: Pattern
  readonly update: PatternUpdate
  readonly source: PartSource
  /** Of the clearing; a part may ask for more. */
  readonly clearance: number
}

/** Faint shells about copies: as far from their outlines as nothing else may come. */
export class Shells {
  readonly root = new THREE.Group()

  show({ pattern, update, source, clearance }: ShellsOf, color: string): void {
    this.clear()
    this.root.position.set(...pattern.place.move)
    this.root.quaternion.set(...fromTurns(pattern.place.turn))
    for (const batch of update.batches) {
      const part: Part | undefined = source.parts[batch.part]
      const convex = part && convexOf(part, source)
      const far = Math.max(clearance, part?.clearance ?? 0)
      if (!convex || far === 0) continue
      const shape = placedGeometry(outlineOf(convex, batch.twin), placedBuffer(batch.placed))
      const mesh = new THREE.Mesh(shape, shellMaterial(color, far))
      mesh.frustumCulled = false
      mesh.renderOrder = 2
      this.root.add(mesh)
    }
  }

  clear(): void {
    letGoOfAll(this.root)
  }
}

/** The outline of a part as the points that lie farthest in directions all round, each with its direction. */
function outlineOf(convex: Convex, twin: boolean): THREE.BufferGeometry {
  const ball = mergeVertices(new THREE.IcosahedronGeometry(1, 6).deleteAttribute('normal').deleteAttribute('uv'))
  const ways = ball.getAttribute('position').array as Float32Array
  const table = new InstanceTable()
  table.neutral(1)
  if (twin) table.flags[0] = Flag.twin
  const body = new Bodies(table, () => convex)
  const points = new Float64Array(ways.length)
  for (let i = 0; i < ways.length; i += 3) body.support(0, ways[i], ways[i + 1], ways[i + 2], points, i)
  ball.setAttribute('position', new THREE.BufferAttribute(Float32Array.from(points), 3))
  ball.setAttribute('way', new THREE.BufferAttribute(ways, 3))
  return ball
}

function shellMaterial(color: string, far: number): THREE.ShaderMaterial {
  return new THREE.ShaderMaterial({
    transparent: true,
    depthWrite: false,
    uniforms: { color: { value: new THREE.Color(color) }, far: { value: far } },
    vertexShader: /* glsl */ `
      ${placedShader}
      attribute vec3 way;
      uniform float far;
      varying vec3 shown;
      varying vec3 seen;
      void main() {
        // A direction on a sized outline leans as its normals do.
        vec3 out_ = normalize(placedNormal(way));
        vec4 eye = modelViewMatrix * vec4(placedPoint(position) + far * out_, 1.0);
        shown = normalMatrix * out_;
        seen = -eye.xyz;
        gl_Position = projectionMatrix * eye;
      }
    `,
    fragmentShader: /* glsl */ `
      uniform vec3 color;
      varying vec3 shown;
      varying vec3 seen;
      void main() {
        // Stronger where it is seen along its side, like a soap bubble.
        float side = 1.0 - abs(dot(normalize(shown), normalize(seen)));
        gl_FragColor = vec4(color, 0.07 + 0.4 * side * side);
        #include <colorspace_fragment>
      }
    `,
  })
}
