/** Things that rest on each other may stand so many deep: each is worked out while the one before waits. */
export const MAX_DEEP = 100

/**
 * Where things rest on each other too deeply: the one at the end of the longest way down, or undefined where none is. A way that comes
 * back to where it was is not followed on. Each thing is looked at once, without calls into itself.
 *
 * @param rests what each thing rests on, by ids; ids that are not there are passed over
 */
export function tooDeep(rests: ReadonlyMap<string, readonly string[]>): string | undefined {
  const deep = new Map<string, number>()
  const open = new Set<string>()
  for (const top of rests.keys()) {
    const way: { readonly id: string; next: number }[] = deep.has(top) ? [] : [{ id: top, next: 0 }]
    open.add(top)
    while (way.length > 0) {
      const here = way[way.length - 1]
      const under = rests.get(here.id)!
      const inner = under[here.next++]
      if (inner === undefined) {
        const own = 1 + under.reduce((most, id) => Math.max(most, deep.get(id) ?? 0), 0)
        if (own > MAX_DEEP) return here.id
        deep.set(here.id, own)
        open.delete(here.id)
        way.pop()
      } else if (rests.has(inner) && !deep.has(inner) && !open.has(inner)) {
        open.add(inner)
        way.push({ id: inner, next: 0 })
      }
    }
  }
  return undefined
}
