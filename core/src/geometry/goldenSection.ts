const GOLDEN = (Math.sqrt(5) - 1) / 2

/**
 * Where a function that falls and then rises is least between two ends, by golden sections (Kiefer 1953): every step looks at one
 * place more and leaves 0.618 of what was left.
 */
export function goldenSection(value: (at: number) => number, low: number, high: number, steps: number): number {
  let [c, d] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)]
  let [fc, fd] = [value(c), value(d)]
  for (let n = 0; n < steps; n++) {
    if (fc < fd) {
      high = d
      ;[d, fd] = [c, fc]
      c = high - GOLDEN * (high - low)
      fc = value(c)
    } else {
      low = c
      ;[c, fc] = [d, fd]
      d = low + GOLDEN * (high - low)
      fd = value(d)
    }
  }
  return (low + high) / 2
}
