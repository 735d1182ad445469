import type { HostileKind } from './case'
import { demoStretched, documentFaults, documentsStretched } from './kinds/documents'
import { drawingFaults, fontFaults, fontNoise } from './kinds/drawings'
import { gltfExchanged, gltfFaults } from './kinds/gltf'
import { meshFaults } from './kinds/meshes'
import { modelsDamaged } from './kinds/mutated'

/** Every kind of hostile file that is made; a new one is entered here. */
export const kinds: readonly HostileKind[] = [
  gltfFaults,
  gltfExchanged,
  meshFaults,
  modelsDamaged,
  drawingFaults,
  fontFaults,
  fontNoise,
  documentFaults,
  documentsStretched,
  demoStretched,
]
