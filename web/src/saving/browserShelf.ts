import { del, get, set } from 'idb-keyval'
import type { Shelf, Unsent } from './queue'

const keyOf = (id: string): string => `hilera.unsent.${id}`

/** What has not been sent waits in this browser's own database. */
export const browserShelf: Shelf = {
  keep: (id, unsent) => set(keyOf(id), unsent),
  clear: (id) => del(keyOf(id)),
}

export const unsentOf = (id: string): Promise<Unsent | undefined> => get<Unsent>(keyOf(id))
