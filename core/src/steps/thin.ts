import type { InstanceTable } from '../instances'
import type { Thin } from '../model/step'
import type { Sentence } from '../words'

/** Keeps every n-th copy in their order and drops the others; those that stay keep their slots and things. */
export function thinStep(table: InstanceTable, { every, from }: Thin): Sentence {
  const before = table.count
  let kept = 0
  for (let k = from - 1; k < before; k += every) table.moveRow(k, kept++)
  table.count = kept
  return [{ count: kept }, ' of ', { count: before }, ' kept']
}
