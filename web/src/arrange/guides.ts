import { stepDefinitionOf } from '@hilera/core/steps/index'
import * as THREE from 'three'
import { type ComputedRef, watch } from 'vue'
import type { Copies } from '../stage/copies/copies'
import { Normals } from '../stage/normals'
import { PickedOutline } from '../stage/pickedOutline'
import { Shells } from '../stage/shells'
import { stageColors } from '../stage/stageColors'
import type { Underneath } from '../stage/underneath'
import type { Viewer } from '../stage/viewer'
import { stepViewOf } from '../steps/registry'
import { ReachGuides } from '../steps/vary/reachGuides'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import { useView } from '../stores/view'

/** What is drawn on. */
interface Ground {
  readonly viewer: Viewer | undefined
  readonly copies: Copies | undefined
  readonly underneath: Underneath | undefined
}

/**
 * What is drawn over the copies and never goes into a file: what is picked, what the sentence that is read reaches, and the
 * normals of the ground.
 *
 * @param on what is drawn on, as far as it is there
 * @param picked the picked rows of each pattern
 */
export function useGuides(
  on: () => Ground,
  picked: ComputedRef<ReadonlyMap<string, ReadonlySet<number>>>,
): { readonly roots: readonly THREE.Object3D[]; drawNormals(): void; drawPicked(): void } {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()
  const view = useView()
  const shells = new Shells()
  const reaches = new ReachGuides()
  const normals = new Normals()
  const outline = new PickedOutline()

  /** What the sentence that is read is about: the clearance about the copies, or where a variation reaches. */
  function drawRead(): void {
    const { pattern, outcome } = selection
    const shown = pattern !== undefined && outcome !== undefined && !pattern.hidden
    const step = (shown ? pattern.steps : []).find((s) => s.id === view.read)
    const { madder } = stageColors()
    const clearance = step && stepDefinitionOf(step).clearance?.(step)
    if (shown && clearance !== undefined)
      shells.show({ pattern, update: outcome, source: outcomes.source, clearance }, madder)
    else shells.clear()
    const draw = step && stepViewOf(step).draw
    if (shown && draw) draw(reaches, { pattern, step, update: outcome, meshes: document.meshes, color: madder })
    else reaches.clear()
    on().viewer?.invalidate()
  }

  /** Arrows along the ground's normals, as long as the copies of the picked pattern reach on the whole. */
  function drawNormals(): void {
    const { pattern, outcome } = selection
    const { copies } = on()
    if (!view.normals || !pattern || !outcome || pattern.hidden || !copies) normals.clear()
    else {
      const size = copies.box(pattern.id).getSize(new THREE.Vector3()).length()
      const each = size / Math.max(4, 3 * Math.sqrt(outcome.present))
      normals.show(pattern, outcome.table, (x, z) => on().underneath?.placeAt(x, z), each, stageColors().madder)
    }
    on().viewer?.invalidate()
  }

  function drawPicked(): void {
    outline.setColor(stageColors().madder)
    outline.show(on().copies?.edgesOf(picked.value))
    on().viewer?.invalidate()
  }

  watch(() => view.normals, drawNormals)
  watch([() => view.read, () => outcomes.patterns], drawRead)

  return { roots: [normals.lines, shells.root, reaches.root, outline.lines], drawNormals, drawPicked }
}
