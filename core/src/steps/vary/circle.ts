/**
 * The point of the unit circle at a share of a full turn from across, written as its cosine and sine: by the power series of both
 * within an eighth of a turn, exact to a few 1e-16. Made of sums and products alone, so that it is the same on every machine.
 *
 * @param turns from 0 to 1
 */
export function circle(turns: number, out: Float64Array): void {
  const eighth = Math.floor(8 * turns)
  // Odd eighths are measured back from their end, so that the angle is never beyond an eighth.
  const odd = eighth & 1
  const x = 2 * Math.PI * (odd ? (eighth + 1) / 8 - turns : turns - eighth / 8)
  const s = x * x
  const sin =
    x *
    (1 +
      s *
        (-1 / 6 +
          s *
            (1 / 120 +
              s * (-1 / 5040 + s * (1 / 362880 + s * (-1 / 39916800 + s * (1 / 6227020800 - s / 1307674368000)))))))
  const cos =
    1 +
    s *
      (-1 / 2 +
        s * (1 / 24 + s * (-1 / 720 + s * (1 / 40320 + s * (-1 / 3628800 + s * (1 / 479001600 - s / 87178291200))))))
  // The eighths in turn: (c, s), (s, c), (−s, c), (−c, s), (−c, −s), (−s, −c), (s, −c), (c, −s).
  const swapped = ((eighth + 1) & 2) !== 0
  const along = swapped ? sin : cos
  const across = swapped ? cos : sin
  out[0] = eighth >= 2 && eighth < 6 ? -along : along
  out[1] = eighth >= 4 ? -across : across
}
