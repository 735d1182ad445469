import type { InstanceTable } from '../../instances'
import type { Thin } from '../../model/step'
import type { Sentence } from '../../words'

/**
 * Keeps every n-th copy in their order and drops the others; those that stay keep their slots and things. Within a
 * selection, the copies outside of it all stay.
 */
export function thinStep(table: InstanceTable, { every, from }: Thin, only?: Uint8Array): Sentence {
  const before = table.count
  let counted = 0
  table.keepRows((k) => {
    const stays = only && !only[k] ? true : ++counted >= from && (counted - from) % every === 0
    return stays
  })
  return [{ count: table.count }, ' of ', { count: before }, ' kept']
}
