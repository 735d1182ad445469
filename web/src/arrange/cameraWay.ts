import { cameraAt } from '@hilera/core/motion/camera/cameraAt'
import { nextTick } from 'vue'
import type { Viewer } from '../stage/viewer'
import { useDocument } from '../stores/document'
import { usePlayback } from '../stores/playback'
import { useView } from '../stores/view'

/**
 * Looks at the stage from where the camera is at a moment, where it goes from view to view and is looked through.
 *
 * @param viewer what is looked through; undefined until it has a picture of its own to start from
 * @param moment the moment, in seconds; undefined where the document is shown as it stands
 */
export function useCameraWay(viewer: () => Viewer | undefined, moment: () => number | undefined): () => Promise<void> {
  const document = useDocument()
  const playback = usePlayback()
  const view = useView()
  return async () => {
    const time = moment()
    if (time === undefined || !playback.throughCamera || !viewer()) return
    const seen = cameraAt(document.project, time)
    if (!seen) return
    const isFlat = seen.height !== undefined
    if (isFlat !== (view.view !== 'perspective')) {
      view.view = isFlat ? 'own' : 'perspective'
      // The stage takes up the other kind of camera first.
      await nextTick()
    }
    viewer()?.lookFrom(seen)
  }
}
