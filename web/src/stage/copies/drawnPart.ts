import type { Mesh } from '@hilera/core/geometry/mesh'
import type { Part } from '@hilera/core/model/part'
import { grainOf, guiseMesh } from '@hilera/core/parts/guise'
import type { PartSource } from '@hilera/core/parts/partMesh'
import * as THREE from 'three'
import type { Batch } from '../../worker/messages'
import { letGoOfMaterial } from '../letGo'
import { ownBox } from './boxes'
import { type PartDrawing, drawingOf } from './drawing'
import { inkShape } from './ink'
import { standPlaced, tintPlaced } from './placed'
import { speckOf } from './speck'
import { surfaceOf } from './surfaces'

/** A part in one guise as its copies are drawn; shared by all patterns. */
export interface DrawnPart {
  readonly part: Part
  readonly mesh: Mesh
  readonly drawing: PartDrawing
  readonly materials: THREE.Material | THREE.Material[]
  /** Its ink edges; undefined where it has none. */
  readonly ink: THREE.BufferGeometry | undefined
  /** What it looks like from very far, and of what material. */
  readonly speck: { readonly shape: THREE.BufferGeometry; readonly material: THREE.Material } | undefined
}

/**
 * @param known what it was drawn as before, which is kept where nothing about it changed
 * @param look finely or lightly, and whether as a ghost of what is only proposed
 * @param pictureRead called when a picture on it has been read
 */
export function drawnPart(
  part: Part,
  guise: Batch,
  source: PartSource,
  known: DrawnPart | undefined,
  look: { readonly fine: boolean; readonly ghost: boolean },
  pictureRead: () => void,
): DrawnPart | undefined {
  const mesh = guiseMesh(part, source, guise)
  if (!mesh) return undefined
  if (known?.part === part && known.mesh === mesh) return known
  if (known) letGoOfPart(known)
  const drawing = drawingOf(part, mesh)
  const grain = grainOf(part, guise)
  const materials = surfaceOf(part, mesh, { ...look, ...(grain && { grain }) }, pictureRead)
  for (const material of [materials].flat()) tintPlaced(standPlaced(material))
  const speck = look.ghost ? undefined : speckOf(drawing.surface, ownBox(drawing.surface))
  return {
    part,
    mesh,
    drawing,
    materials,
    ink: drawing.ink && inkShape(drawing.ink, drawing.sphere.radius),
    speck: speck && {
      shape: speck,
      material: tintPlaced(standPlaced(new THREE.MeshLambertMaterial({ vertexColors: true }))),
    },
  }
}

export function letGoOfPart({ drawing, materials, ink, speck }: DrawnPart): void {
  drawing.surface.dispose()
  letGoOfMaterial(materials)
  ink?.dispose()
  speck?.shape.dispose()
  speck?.material.dispose()
}
