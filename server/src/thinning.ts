import { MOST_BY_ITSELF } from './api'

const DAY = 86_400_000

/** What tells one span of time from another at an age: nothing of the last day, then days, then weeks. */
function spanOf(created: number, now: number): string | undefined {
  const age = now - created
  if (age < DAY) return undefined
  return age < 30 * DAY ? `day ${Math.floor(created / DAY)}` : `week ${Math.floor(created / (7 * DAY))}`
}

/**
 * Which of the versions that were kept by themselves go: of the last day all stay, of the last month the newest of each day (UTC), of the
 * time before that the newest of each week; and of more than can be kept the oldest.
 *
 * @param versions the newest first
 * @returns their ids
 */
export function thinnedOut(
  versions: readonly { readonly id: string; readonly created_at: string }[],
  now: number,
): string[] {
  const seen = new Set<string>()
  let stay = 0
  return versions.flatMap(({ id, created_at }) => {
    const span = spanOf(Date.parse(created_at), now)
    const isKept = (span === undefined || !seen.has(span)) && stay < MOST_BY_ITSELF
    if (span !== undefined) seen.add(span)
    if (isKept) stay++
    return isKept ? [] : [id]
  })
}
