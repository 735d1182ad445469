import type { Pattern } from '@hilera/core/model/pattern'
import type { Asks } from '../sentences/asking'
import { usePicking } from '../stores/picking'
import { usePlaneAxes } from './planeAxes'

/** What a mirror plane goes through, clicked on the stage: a copy’s pivot, or any place. */
export function usePlaneAsks(pattern: () => Pattern): Asks {
  const picking = usePicking()
  const axes = usePlaneAxes(() => pattern().id)
  return {
    'plane through copy': ({ item, edits }) => {
      if (item.is !== 'choice') return
      void picking.place('Click a copy').then((picked) => {
        if (!picked) return
        const to = picked.copy
          ? `copy ${picked.copy.patternId} ${picked.copy.slot}`
          : `point ${axes.place(picked.point).join(' ')}`
        void edits.change(item.undo(to), (p) => item.write(p, to))
      })
    },
    'plane through point': ({ item, edits }) => {
      if (item.is !== 'choice') return
      void picking.place('Click a place, a corner or an edge').then((picked) => {
        if (!picked) return
        const to = `point ${axes.place(picked.point).join(' ')}`
        void edits.change(item.undo(to), (p) => item.write(p, to))
      })
    },
  }
}
