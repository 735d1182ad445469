import { z } from 'zod'
import type { GroundDefinition } from './definition'
import { reliefSurface } from './relief'
import { ENDLESS } from './surface'

const schema = z.object({ kind: z.literal('level') })
export type Level = z.infer<typeof schema>

/** The one level on which all lie that are not turned: where it is says its place. */
const surface = reliefSurface({ extent: ENDLESS, bend: 0, height: () => 0, slope: () => [0, 0] })
/** As much of it as is drawn; it goes on without end. */
const drawn = reliefSurface({
  extent: { lowX: -2, highX: 2, lowZ: -2, highZ: 2 },
  bend: 0,
  height: () => 0,
  slope: () => [0, 0],
})

export const level: GroundDefinition<Level> = {
  schema,
  words: 'Level',
  note: 'flat, at a height, without end',
  summary: () => 'level, without end',
  sentence: ['It is level, without end.'],
  begin: () => ({ kind: 'level' }),
  surface: () => ({ ...surface, mesh: drawn.mesh }),
}
