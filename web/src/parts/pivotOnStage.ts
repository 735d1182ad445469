import { inWorld } from '@hilera/core/model/inWorld'
import { pivotAt } from '@hilera/core/placing/pivotAt'
import type { Vec3 } from '@hilera/core/values/values'
import type { Problem } from '@hilera/core/words'
import { computed } from 'vue'
import { useCopyEdits } from '../patterns/copyEdits'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { usePicking } from '../stores/picking'
import { useSelection } from '../stores/selection'
import { usePartEdits } from './partEdits'
import { usePivotEdits } from './pivotEdits'

/** A pivot that was pointed at is written in whole tenths of a micrometre: what lies on a surface is known no better. */
const PER_METRE = 1e7

/** Moves the pivot of the one picked copy's part to a place that is clicked on the stage. */
export function usePivotOnStage() {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()
  const picking = usePicking()
  const copy = useCopyEdits()
  const edits = usePartEdits()
  const pivot = usePivotEdits(() => part.value!)

  const part = computed(() => {
    const row = copy.row.value
    const thing = row === undefined ? undefined : selection.outcome?.table.thing[row]
    const id = thing === undefined ? undefined : outcomes.worked.parts[thing]?.id
    return document.project.parts.find((p) => p.id === id)
  })
  const lack = computed(() => (part.value ? undefined : 'Pick one copy of a part first: its pivot is moved.'))

  /** Asks for the place; nothing changes where it is given up. */
  async function pick(): Promise<Problem | undefined> {
    if (!part.value) return undefined
    const { id, name } = part.value
    const asked = `Click where the pivot of ${name} is to be: a corner, an edge, the middle of a face`
    const picked = await picking.place(asked)
    const { pattern, outcome } = selection
    const row = copy.row.value
    if (!picked || !pattern || !outcome || row === undefined || part.value.id !== id) return undefined
    const { table } = outcome
    const { frame } = part.value
    const stands = inWorld(pattern, table.placingOf(row))
    const at = pivotAt(picked.point, stands, table.isTwin(row), frame)
    return pivot.changing.change(
      `pivot of ${name}`,
      edits.recipe(id, (p) => {
        const { up = 'top', front = 'front' } = p.frame ?? {}
        p.frame = { up, front, pivot: at.map((n) => Math.round(n * PER_METRE) / PER_METRE + 0) as Vec3 }
      }),
    )
  }
  return { lack, pick }
}
