import { alike } from './alike'
import { astray } from './astray'
import { between } from './between'
import { coincident } from './coincident'
import type { FindingDefinition } from './definition'
import { farOut } from './farOut'
import { lamps } from './lamps'
import { outside } from './outside'
import { overlaps } from './overlaps'
import { sameName } from './sameName'
import { flat, insideOut, open, wound } from './surfaces'
import { uneven } from './uneven'
import { unused } from './unused'

/** Everything that is looked for, by its name; a new one is entered here. */
export const findings: Readonly<Record<string, FindingDefinition>> = {
  coincident,
  overlaps,
  between,
  astray,
  outside,
  farOut,
  insideOut,
  uneven,
  open,
  wound,
  flat,
  alike,
  unused,
  sameName,
  lamps,
}
