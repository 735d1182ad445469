/**
 * A name that none of the taken ones equals: "Box", then "Box 2".
 *
 * @param taken names, or their set in small letters where many are asked for one after another
 */
export function freeName(wanted: string, taken: readonly string[] | ReadonlySet<string>): string {
  const used =
    taken instanceof Set ? (taken as ReadonlySet<string>) : new Set([...taken].map((name) => name.toLowerCase()))
  if (!used.has(wanted.toLowerCase())) return wanted
  const stem = wanted.replace(/ \d+$/, '').slice(0, 72)
  let n = 2
  while (used.has(`${stem} ${n}`.toLowerCase())) n++
  return `${stem} ${n}`
}
