/** A name that none of the taken ones equals: "Box", then "Box 2". */
export function freeName(wanted: string, taken: readonly string[]): string {
  const used = new Set(taken.map((name) => name.toLowerCase()))
  if (!used.has(wanted.toLowerCase())) return wanted
  const stem = wanted.replace(/ \d+$/, '').slice(0, 72)
  let n = 2
  while (used.has(`${stem} ${n}`.toLowerCase())) n++
  return `${stem} ${n}`
}

/** A fresh id for a part or a pattern. */
export const newId = (kind: string): string => `${kind}-${crypto.randomUUID().slice(0, 13)}`
