import { shallowRef, watch } from 'vue'
import type { Copies } from '../stage/copies/copies'
import type { Viewer } from '../stage/viewer'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import { useView } from '../stores/view'

/**
 * Tells when a change took the picked pattern out of the picture: all of it was in, and is not any more. To look elsewhere is no change,
 * and makes it be forgotten.
 */
export function useOutOfPicture(stage: () => { viewer: Viewer | undefined; copies: Copies | undefined }) {
  const outcomes = useOutcomes()
  const selection = useSelection()
  const view = useView()
  const isOut = shallowRef(false)
  let wasIn = ''

  /** Called once what changed stands on the stage. */
  function look(): void {
    const { viewer, copies } = stage()
    const { pattern } = selection
    const box = pattern && !pattern.hidden ? copies?.box(pattern.id) : undefined
    if (!viewer || !pattern || !box || box.isEmpty() || !outcomes.settled) return
    const isIn = viewer.shows(box)
    isOut.value = !isIn && (isOut.value || wasIn === pattern.id)
    wasIn = isIn ? pattern.id : ''
  }
  watch(
    () => [selection.patternId, view.framing, view.view],
    () => {
      isOut.value = false
      wasIn = ''
    },
  )
  return { isOut, look }
}
