/** The word of some that a misspelt one is nearest to: at most two letters are another, missing, added or changed about. */
export function nearestWord(said: string, wanted: readonly string[]): string | undefined {
  const word = said.toLowerCase()
  let best: { word: string; far: number } | undefined
  for (const phrase of wanted)
    for (const other of phrase.split(/\s+/)) {
      if (Math.abs(other.length - word.length) > 2 || other.length < 3) continue
      const far = distance(word, other.toLowerCase())
      if (far <= Math.min(2, Math.floor(other.length / 3)) && (!best || far < best.far)) best = { word: other, far }
    }
  return best?.word
}

/** How many letters have to be changed, put in, taken out or changed about with their neighbour (Damerau 1964, restricted). */
function distance(a: string, b: string): number {
  const rows = [Array.from({ length: b.length + 1 }, (_, j) => j)]
  for (let i = 1; i <= a.length; i++) {
    rows.push([i])
    for (let j = 1; j <= b.length; j++) {
      const change = rows[i - 1][j - 1] + (a[i - 1] === b[j - 1] ? 0 : 1)
      let least = Math.min(change, rows[i - 1][j] + 1, rows[i][j - 1] + 1)
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        least = Math.min(least, rows[i - 2][j - 2] + 1)
      rows[i].push(least)
    }
  }
  return rows[a.length][b.length]
}
