import type { Part } from '@hilera/core/model/part'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Step } from '@hilera/core/steps/index'
import { provide } from 'vue'
import { useCurveAsks } from '../curves/curveAsks'
import { usePlaneAsks } from '../mirrors/planeAsks'
import { useFileAsks } from '../parts/fileAsks'
import { useWeightAsks } from '../layouts/fill/weightAsks'
import { usePictureAsks } from '../steps/vary/pictureAsks'
import { ASK, type Asked } from './edits'

/** What asks for more: a place on the stage, a file, a drawing. It is done by name. */
export type Asks = Readonly<Record<string, (asked: Asked<Pattern & Part>) => void>>

/** Lets the fields of a pattern's or a part's sentence ask for more than a word. */
export function useAsking(pattern?: () => Pattern, step?: () => Step): void {
  const asks: Asks = {
    ...useCurveAsks(),
    ...useFileAsks(),
    ...(pattern && usePlaneAsks(pattern)),
    ...(pattern && (step ? usePictureAsks(pattern, step) : useWeightAsks(pattern))),
  }
  provide(ASK, (asked) => asks[asked.asks]?.(asked))
}
