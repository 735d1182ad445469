/** Runs several things in turn, so that a busy machine slows them alike, and gives the median milliseconds of each. */
export function rounds<K extends string>(things: Record<K, () => void>, times = 9): Record<K, number> {
  const names = Object.keys(things) as K[]
  const taken = Object.fromEntries(names.map((name) => [name, [] as number[]])) as Record<K, number[]>
  for (const name of names) warmUp(things[name])
  for (let i = 0; i < times; i++) {
    for (const name of names) {
      const start = performance.now()
      things[name]()
      taken[name].push(performance.now() - start)
    }
  }
  return Object.fromEntries(names.map((name) => [name, taken[name].sort((a, b) => a - b)[times >> 1]])) as Record<
    K,
    number
  >
}

/** Runs a thing until the engine has had time to compile it. */
function warmUp(thing: () => void): void {
  const start = performance.now()
  for (let n = 0; n < 3 || (n < 200 && performance.now() - start < 400); n++) thing()
}

export const table = (title: string, rows: Record<string, string | number>[]): void => {
  console.log(`\n${title}`)
  console.table(rows)
}

export const ms = (n: number): string => `${n.toFixed(n < 10 ? 3 : 1)} ms`
export const ratio = (n: number): string => `${n.toFixed(2)} ×`
