import { formatNumber } from '@hilera/core/numbers/format'

/** A size of a file, in KB or MB of 1 024. */
export const bytesText = (n: number): string =>
  n >= 2 ** 20 ? `${formatNumber(n / 2 ** 20, 1)} MB` : `${formatNumber(n > 0 ? Math.max(n / 1024, 0.1) : 0, 1)} KB`
