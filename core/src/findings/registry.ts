import { astray } from './astray'
import { coincident } from './coincident'
import type { FindingDefinition } from './definition'
import { overlaps } from './overlaps'

/** Everything that is looked for, by its name; a new one is entered here. */
export const findings: Readonly<Record<string, FindingDefinition>> = { coincident, overlaps, astray }
