import type { Pattern } from '@hilera/core/model/pattern'
import { knowledge } from '@hilera/core/sentences/knowledge'
import type { Surroundings } from '@hilera/core/sentences/nodes'
import { computed, type ComputedRef } from 'vue'
import { useDocument } from '../stores/document'
import { useSelection } from '../stores/selection'
import type { PatternUpdate } from '../worker/messages'
import { fontNames } from '../patterns/fonts'
import { reading } from './measuring'

/** What the sentences of a pattern may know beside their values. */
export function useSurroundings(
  pattern: () => Pattern,
  outcome: () => PatternUpdate | undefined,
): ComputedRef<Surroundings> {
  const document = useDocument()
  const selection = useSelection()
  return computed(() => ({
    knows: knowledge,
    project: document.project,
    unit: document.unit,
    pattern: pattern(),
    laid: outcome()?.laid,
    table: outcome()?.table,
    slot: selection.slot,
    reread: reading,
    fonts: fontNames(),
  }))
}
