import { z } from 'zod'
import { innerPatch, innerPatched, innerPatches, isLong } from './innerPatches'
import type { Project } from './project'

type ListField = { [K in keyof Project]: Project[K] extends readonly unknown[] ? K : never }[keyof Project]
/** Every list of a document: one that is missing here would never be saved, and does not compile. */
const isList: Readonly<Record<ListField, true>> = {
  parts: true,
  patterns: true,
  grounds: true,
  plans: true,
  groups: true,
  sets: true,
  measures: true,
  views: true,
  camera: true,
  ignored: true,
}
const lists = Object.keys(isList) as [ListField, ...ListField[]]

/**
 * One step from a document to the next: a field as it is now, one entry of a list, or what changed inside a long one. Whoever keeps the
 * older state gets to the newer one by taking them in order.
 */
export const patch = z.union([
  z.strictObject({ field: z.enum(['name', 'unit', 'clock', ...lists]), value: z.unknown() }),
  z.strictObject({ field: z.enum(lists), at: z.int().nonnegative(), value: z.unknown() }),
  z.strictObject({ field: z.enum(lists), at: z.int().nonnegative(), inside: innerPatch.array().readonly() }),
])
export type Patch = z.infer<typeof patch>

type Entries = readonly { readonly id: string }[]

/**
 * What leads from one state of a document to another. States share what did not change, so that entries are told apart by
 * identity; a list whose entries stand otherwise is sent whole.
 */
export function patchesBetween(before: Project, after: Project): Patch[] {
  const found: Patch[] = []
  for (const field of ['name', 'unit', 'clock'] as const)
    if (before[field] !== after[field]) found.push({ field, value: after[field] })
  for (const field of lists) {
    const [old, now]: [Entries, Entries] = [before[field], after[field]]
    if (old === now) continue
    const sameOrder = old.length === now.length && now.every(({ id }, i) => id === old[i].id)
    if (!sameOrder) found.push({ field, value: now })
    else
      for (const [at, value] of now.entries()) {
        if (value === old[at]) continue
        if (isLong(value) && isLong(old[at])) found.push({ field, at, inside: innerPatches(old[at], value) })
        else found.push({ field, at, value })
      }
  }
  return found
}

/**
 * A document as it is after some patches, not yet checked: patches from outside may hold anything.
 *
 * @returns undefined where a patch is for an entry that is not there
 */
export function patched(before: Project, patches: readonly Patch[]): unknown {
  const after: Record<string, unknown> = { ...before }
  for (const step of patches) {
    if (!('at' in step)) {
      after[step.field] = step.value
      continue
    }
    const list = after[step.field]
    if (!Array.isArray(list) || step.at >= list.length) return undefined
    const value = 'inside' in step ? innerPatched(list[step.at], step.inside) : step.value
    if (value === undefined) return undefined
    after[step.field] = list.with(step.at, value)
  }
  return after
}
