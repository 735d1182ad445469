import { arrive } from './arrive/index'
import { change } from './change/index'
import { idle } from './idle/index'

/** Every movement by its kind, in the order in which they are offered; a new one is entered here. */
export const movements = { arrive, idle, change }
