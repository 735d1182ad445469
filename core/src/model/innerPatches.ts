import { z } from 'zod'
import { cutOut } from '../values/cutOut'

/**
 * One step inside an entry of a document's lists, where the entry is long: a value that is put at the end of a path or gone from there,
 * or a run of a list that others take the place of.
 */
export const innerPatch = z.union([
  z.strictObject({ path: pathOf(), value: z.unknown() }),
  z.strictObject({ path: pathOf(), gone: z.literal(true) }),
  z.strictObject({
    path: pathOf(),
    from: z.int().nonnegative(),
    remove: z.int().nonnegative(),
    put: z.unknown().array().readonly(),
  }),
])
export type InnerPatch = z.infer<typeof innerPatch>

function pathOf() {
  const name = z.string().refine((key) => !['__proto__', 'constructor', 'prototype'].includes(key))
  return z.union([name, z.int().nonnegative()]).array().readonly()
}

/** A list or a record of more than so many entries is not sent whole for one of them. */
const LONG = 500

type Tree = Readonly<Record<string, unknown>>
const isTree = (value: unknown): value is Tree => typeof value === 'object' && value !== null
const isRecord = (value: unknown): value is Tree => isTree(value) && !Array.isArray(value)

/** Whether a value holds a list or a record of more than so many entries. */
export function isLong(value: unknown, most = LONG): boolean {
  if (!isTree(value)) return false
  const inside = Object.values(value)
  return inside.length > most || inside.some((inner) => isLong(inner, most))
}

/**
 * What leads from one state of an entry to the next. States share what did not change: lists are told apart by what stands at their
 * beginning and their end alike, so that a spot that goes is one spot, however many follow it.
 */
export function innerPatches(before: unknown, after: unknown, path: InnerPatch['path'] = []): InnerPatch[] {
  if (Object.is(before, after)) return []
  if (Array.isArray(before) && Array.isArray(after)) {
    const { from, gone, put } = cutOut<unknown>(before, after)
    return gone === 0 && put.length === 0 ? [] : [{ path, from, remove: gone, put }]
  }
  if (!isRecord(before) || !isRecord(after)) return [{ path, value: after }]
  const gone = Object.keys(before).filter((key) => before[key] !== undefined && after[key] === undefined)
  return [
    ...gone.map((key): InnerPatch => ({ path: [...path, key], gone: true })),
    ...Object.keys(after).flatMap((key) =>
      after[key] === undefined ? [] : innerPatches(before[key], after[key], [...path, key]),
    ),
  ]
}

/**
 * An entry as it is after some patches, not yet checked; what they do not reach is shared.
 *
 * @returns undefined where a patch is for something that is not there
 */
export function innerPatched(before: unknown, patches: readonly InnerPatch[]): unknown {
  let after = before
  for (const patch of patches) {
    if (patch.path.length === 0 && 'gone' in patch) return undefined
    after = patchedAt(after, patch, 0)
    if (after === undefined) return undefined
  }
  return after
}

function patchedAt(value: unknown, patch: InnerPatch, depth: number): unknown {
  const { path } = patch
  if (depth === path.length) {
    if ('value' in patch) return patch.value
    if (!('put' in patch) || !Array.isArray(value) || patch.from + patch.remove > value.length) return undefined
    return [...(value as unknown[]).slice(0, patch.from), ...patch.put, ...value.slice(patch.from + patch.remove)]
  }
  if (!isTree(value)) return undefined
  const key = path[depth]
  const isLast = depth === path.length - 1
  if (Array.isArray(value)) {
    if (typeof key !== 'number' || key >= value.length || (isLast && 'gone' in patch)) return undefined
    const inner = patchedAt(value[key], patch, depth + 1)
    return inner === undefined ? undefined : value.with(key, inner)
  }
  if (isLast && 'gone' in patch) {
    const { [key]: _, ...rest } = value
    return rest
  }
  const inner = patchedAt(Object.hasOwn(value, key) ? value[key] : undefined, patch, depth + 1)
  return inner === undefined ? undefined : { ...value, [key]: inner }
}
