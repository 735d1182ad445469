import { runsOfPath } from '@hilera/core/curves/svgPath'
import type { Curve } from '@hilera/core/values/curve'

/**
 * A drawn outline as a curve that stands upright.
 *
 * @param path path data, y downwards
 * @param scale metres for one of its units
 */
export const cut = (path: string, scale: number): Curve => ({
  kind: 'bezier',
  runs: runsOfPath(path, [scale, 0, 0, scale, 0, 0]),
  from: { kind: 'hand' },
})
