import { cutOut } from '@hilera/core/values/cutOut'
import type { Patch } from 'immer'

/** So many entries are told one by one; of more it is looked whether they only moved along. */
const FEW = 32

type Path = Patch['path']

/**
 * Patches in which a list that was cut into is told by what was cut. Where one spot of two hundred thousand goes, each that follows it
 * stands at another number, and is told as another one: the step is then as large as the pattern, in the history, on its way to the worker
 * and in the file of steps.
 */
export function withSplices(patches: Patch[], before: unknown, after: unknown): Patch[] {
  let out = patches
  for (const path of cutLists(patches)) {
    const [old, now] = [at(before, path), at(after, path)]
    if (!Array.isArray(old) || !Array.isArray(now) || now.length <= FEW) continue
    // Where what holds the list is another one, or moved along itself, the two are not states of one list.
    if (out.some((patch) => patch.path.length < path.length && isWithin(path, patch.path))) continue
    const first = out.findIndex((patch) => isWithin(patch.path, path))
    if (first < 0) continue
    out = [...out.slice(0, first), ...cut(path, old, now), ...out.slice(first).filter((p) => !isWithin(p.path, path))]
  }
  return out
}

const isWithin = (path: Path, of: Path): boolean => of.every((key, i) => path[i] === key)

/** Where a list was put anew, or many of its entries; what lies inside others first, while these are told as they were. */
function cutLists(patches: readonly Patch[]): Path[] {
  const anew = patches.flatMap(({ path, value }) => (Array.isArray(value) ? [path] : []))
  anew.sort((a, b) => b.length - a.length)
  if (patches.length <= FEW) return anew
  const inLists = new Map<string, { path: Path; count: number }>()
  for (const { path } of patches) {
    const list = path.slice(0, -1)
    const key = list.join('/')
    const known = inLists.get(key) ?? { path: list, count: 0 }
    known.count++
    inLists.set(key, known)
  }
  return [...anew, ...[...inLists.values()].flatMap(({ path, count }) => (count > FEW ? [path] : []))]
}

/** What is taken out of a list and put into it; all of it anew where that is much. */
function cut(path: Path, old: readonly unknown[], now: readonly unknown[]): Patch[] {
  const { from, gone, put } = cutOut(old, now)
  if (gone + put.length > FEW) return [{ op: 'replace', path, value: now }]
  return [
    ...Array.from({ length: gone }, (): Patch => ({ op: 'remove', path: [...path, from] })),
    ...put.map((value, i): Patch => ({ op: 'add', path: [...path, from + i], value })),
  ]
}

const at = (value: unknown, path: Path): unknown =>
  path.reduce<unknown>((inner, key) => (inner as Record<string | number, unknown> | undefined)?.[key], value)
