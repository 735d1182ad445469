import { dealParts } from '@hilera/core/deal/deal'
import { supportIn } from '@hilera/core/evaluate'
import { solveLine } from '@hilera/core/layouts/line/place'
import type { Line } from '@hilera/core/layouts/line/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Axis } from '@hilera/core/values/values'
import { changeMeasure, takeHold } from '@hilera/core/spacing/hold'
import type { Measure } from '@hilera/core/values/spacing'
import type { SpacingAnswer } from '@hilera/core/spacing/solve'
import type { DirectionChoice } from '../sentences/lineWords'
import { useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'
import { useOutcomes } from '../stores/outcomes'

/** A pattern that is laid out as a line. */
export type LinePattern = Pattern & { readonly layout: Line }
export const isLine = (pattern: Pattern | undefined): pattern is LinePattern => pattern?.layout.kind === 'line'

/** Edits of one pattern's line, shared by its sentence, its strip and its pins. */
export function useLineEdits(pattern: () => LinePattern) {
  const document = useDocument()
  const outcomes = useOutcomes()

  const recipe =
    (edit: (line: Line) => void): Recipe =>
    (project) => {
      const found = project.patterns.find((p) => p.id === pattern().id)
      if (found?.layout.kind === 'line') edit(found.layout)
    }

  /** The line as it is solved now, for edits that need to know where copies stand. */
  function answer(): SpacingAnswer | undefined {
    const { parts, patterns } = document.project
    const supportOf = supportIn(document.project, document.meshes, outcomes.patterns)
    const thingOf = (id: string): number => {
      const part = parts.findIndex((p) => p.id === id)
      return part >= 0 ? part : parts.length + patterns.findIndex((p) => p.id === id)
    }
    const solved = solveLine(
      pattern().layout,
      dealParts(pattern().deal, pattern().id, {
        thingOf,
        variantsOf: (id) => parts.find((p) => p.id === id)?.variants ?? [],
      }),
      (thing, direction) => supportOf(thing)(direction),
    )
    return solved.ok ? solved.value.answer : undefined
  }

  function setMeasure(measure: Measure): void {
    const now = answer()
    if (!now) return
    document.change(
      `${measure} of ${pattern().name}`,
      recipe((line) => changeMeasure(line, measure, now)),
    )
  }

  function setDirection(choice: DirectionChoice): void {
    const now = answer()
    document.change(
      `direction of ${pattern().name}`,
      recipe((line) => {
        if (choice !== 'amounts') {
          line.direction = { kind: 'axis', axis: choice.slice(1) as Axis, sign: choice[0] === '+' ? 1 : -1 }
          return
        }
        // The step that the line has now, so that equal parts stay where they are.
        const pitch = now && now.count > 1 ? now.at(1) - now.at(0) : 0.1
        const step: [number, number, number] = [0, 0, 0]
        if (line.direction.kind === 'axis')
          step[['across', 'up', 'deep'].indexOf(line.direction.axis)] = line.direction.sign * pitch
        line.direction = { kind: 'amounts', step }
        if (now) line.count = now.count
        line.hold = ['spacing', 'count']
      }),
    )
  }

  /** The edit that puts copy `index` this far from the first, from pivot to pivot, by an even spacing. */
  function spacingThatPuts(index: number, distance: number, now: SpacingAnswer): (line: Line) => void {
    const { ruler } = now
    const spacing = (distance - ruler.pivot(index, 0)) / index
    return (line) => {
      if (line.direction.kind === 'amounts') {
        const length = Math.hypot(...line.direction.step)
        line.direction.step = line.direction.step.map((n) => (n / length) * (distance / index)) as [
          number,
          number,
          number,
        ]
      } else takeHold(line, 'spacing', spacing)
    }
  }

  /** The edit that places so many copies at the spacing that there is now: the room follows. */
  function countAtSpacing(count: number, now: SpacingAnswer): (line: Line) => void {
    return (line) => {
      if (!Number.isNaN(now.spacing)) line.spacing = now.spacing
      line.count = count
      line.hold = ['spacing', 'count']
    }
  }

  return { recipe, answer, countAtSpacing, setMeasure, setDirection, spacingThatPuts }
}
