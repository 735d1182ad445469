import { isLayout } from '@hilera/core/layouts/index'
import type { LineOutcome } from '@hilera/core/layouts/line/place'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Measure } from '@hilera/core/values/spacing'
import type { Axis } from '@hilera/core/values/values'
import type { DirectionChoice } from '../lineWords'
import { laidOf } from '../index'
import { reading } from '../measuring'
import { useLayoutEdits } from '../layoutEdits'
import { useOutcomes } from '../../stores/outcomes'

/** Edits of one pattern's line, shared by its sentence and its strip. */
export function useLineEdits(pattern: () => Pattern) {
  const outcomes = useOutcomes()
  const { recipe, name, change } = useLayoutEdits('line', pattern)
  /** The line as it was worked out, for edits that need to know where copies stand. */
  const laid = (): LineOutcome | undefined => laidOf('line', outcomes.byId.get(pattern().id))

  function setMeasure(measure: Measure): void {
    const { id, layout } = pattern()
    if (isLayout('line', layout)) change(measure, reading(id, layout, measure, laid()?.readAs?.[measure]))
  }

  function setDirection(choice: DirectionChoice): void {
    const now = laid()
    change('direction', (line) => {
      if (choice !== 'amounts') {
        line.direction = { kind: 'axis', axis: choice.slice(1) as Axis, sign: choice[0] === '+' ? 1 : -1 }
        return
      }
      // The step that the line has now, so that equal parts stay where they are.
      const pitch = now?.readAs?.pitch ?? 0.1
      const step: [number, number, number] = [0, 0, 0]
      if (line.direction.kind === 'axis')
        step[['across', 'up', 'deep'].indexOf(line.direction.axis)] = line.direction.sign * pitch
      line.direction = { kind: 'amounts', step }
      if (now) line.count = now.count
      line.hold = ['spacing', 'count']
    })
  }

  return { recipe, name, change, laid, setMeasure, setDirection }
}
