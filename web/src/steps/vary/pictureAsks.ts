import { boxOfCopies } from '@hilera/core/steps/vary/startReach'
import type { Pattern } from '@hilera/core/model/pattern'
import { type Step, isStep } from '@hilera/core/steps/index'
import { useBrightness } from '../../patterns/brightness'
import type { Asks } from '../../sentences/asking'
import { useOutcomes } from '../../stores/outcomes'

/** A picture whose brightness gives the values, chosen from a file; as wide as covers all copies. */
export function usePictureAsks(pattern: () => Pattern, step: () => Step): Asks {
  const { choose } = useBrightness()
  const outcomes = useOutcomes()
  return {
    picture: ({ edits }) =>
      choose((file, fileName, { width, height }) => {
        const { middle, size } = boxOfCopies(outcomes.byId.get(pattern().id)?.table)
        const { id } = step()
        void edits.change(undefined, (p) => {
          const vary = p.steps.find((s) => s.id === id)
          if (!isStep('vary', vary)) return
          const before = vary.by?.kind === 'picture' ? vary.by : undefined
          const plane = before?.plane ?? (size[1] > size[2] ? 'upright' : 'ground')
          const [w, h] = [size[0], size[plane === 'ground' ? 2 : 1]]
          vary.by = before
            ? { ...before, file, fileName }
            : {
                kind: 'picture',
                file,
                fileName,
                plane,
                middle: [middle[0], middle[plane === 'ground' ? 2 : 1]],
                width: Math.max(w, (h * width) / height, 0.001),
              }
        })
      }),
  }
}
