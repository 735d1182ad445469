import { type InstanceTable } from '../instances'

/** Which rows of a table are named by slots: 1 for each that is, 0 for the others. */
export function rowsOfSet(table: InstanceTable, slots: readonly string[]): Uint8Array {
  const named = new Set(slots)
  const rows = new Uint8Array(table.count)
  for (let k = 0; k < table.count; k++) if (named.has(table.keyOf(k))) rows[k] = 1
  return rows
}
