import { fact } from '../../words'
import type { StepOutcome } from '../definition'
import type { InstanceTable } from '../../instances'
import type { Thin } from './schema'

/**
 * Keeps every n-th copy in their order and drops the others; those that stay keep their slots and things. Within a
 * selection, the copies outside of it all stay.
 */
export function thinStep(table: InstanceTable, { every, from }: Thin, only?: Uint8Array): StepOutcome {
  const before = table.count
  let counted = 0
  table.keepRows((k) => {
    if (only && !only[k]) return true
    return ++counted >= from && (counted - from) % every === 0
  })
  return { facts: [fact('count', { count: table.count }, ' of ', { count: before }, ' kept')] }
}
