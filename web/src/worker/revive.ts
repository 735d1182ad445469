import { InstanceTable } from '@hilera/core/instances'
import { markRaw } from 'vue'
import type { PatternUpdate } from './messages'

/** An update as it came from the worker, its tables with their functions again; tables that are one stay one. */
export function revived(update: PatternUpdate): PatternUpdate {
  const made = new Map<InstanceTable, InstanceTable>()
  const table = (plain: InstanceTable): InstanceTable => {
    const known = made.get(plain) ?? InstanceTable.revived(plain)
    made.set(plain, known)
    return known
  }
  return markRaw({
    ...update,
    table: table(update.table),
    copies: table(update.copies),
    expanded: table(update.expanded),
  })
}
