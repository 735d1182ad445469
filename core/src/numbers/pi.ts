import { fromDecimal } from './ratio'

/** π to 60 figures, so that an angle is rounded once (OEIS A000796). */
export const PI = fromDecimal('3.14159265358979323846264338327950288419716939937510582097494')
