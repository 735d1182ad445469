import { isLayout } from '@hilera/core/layouts/index'
import type { Pattern } from '@hilera/core/model/pattern'
import { useBrightness } from '../../patterns/brightness'
import type { Asks } from '../../sentences/asking'

/** A picture by whose brightness an area is filled, chosen from a file. */
export function useWeightAsks(pattern: () => Pattern): Asks {
  const { choose } = useBrightness()
  return {
    picture: ({ edits }) => {
      if (!isLayout('fill', pattern().layout)) return
      choose((file, fileName) => {
        void edits.change('picture', (p) => {
          if (isLayout('fill', p.layout)) p.layout.weights = { ...p.layout.weights, file, fileName }
        })
      })
    },
  }
}
