import { aim } from './aim/index'
import { clear } from './clear/index'
import { grade } from './grade/index'
import { reflect } from './reflect/index'
import { settle } from './settle/index'
import { thin } from './thin/index'
import { vary } from './vary/index'

/** Every step by its kind, in the order in which they are offered; a new one is entered here. */
export const steps = { grade, aim, vary, reflect, thin, settle, clear }
