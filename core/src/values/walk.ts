import type { z } from 'zod'
import { type Mark, type RefKind, type Takes, markOf } from './marks'

type Schema = z.core.$ZodType
/** What a schema is made of, as far as a walk needs to know. */
interface Def {
  readonly type: string
  readonly shape?: Record<string, Schema>
  readonly element?: Schema
  readonly innerType?: Schema
  readonly options?: readonly Schema[]
  readonly keyType?: Schema
  readonly valueType?: Schema
  readonly items?: readonly Schema[]
  readonly left?: Schema
  readonly right?: Schema
}
export const defOf = (schema: Schema): Def => schema._zod.def as unknown as Def

/** The schemas inside a schema, each with what leads there. */
export function innerSchemas(schema: Schema): (readonly [step: string, inner: Schema])[] {
  const def = defOf(schema)
  return [
    ...Object.entries(def.shape ?? {}),
    ...(def.element ? [['[]', def.element] as const] : []),
    ...(def.innerType ? [['', def.innerType] as const] : []),
    ...(def.options ?? []).map((option, i) => [`|${i}`, option] as const),
    ...(def.keyType ? [['{key}', def.keyType] as const] : []),
    ...(def.valueType ? [['{}', def.valueType] as const] : []),
    ...(def.items ?? []).map((item, i) => [`${i}`, item] as const),
    ...(def.left ? [['', def.left] as const] : []),
    ...(def.right ? [['', def.right] as const] : []),
  ]
}

type Says = Mark['says']

const marked = new WeakMap<Schema, ReadonlySet<Says>>()
/** What the marks in a schema say, so that a walk can pass by what carries none that it looks for. */
function marksIn(schema: Schema): ReadonlySet<Says> {
  const known = marked.get(schema)
  if (known) return known
  const own = markOf(schema)
  const found = new Set(innerSchemas(schema).flatMap(([, inner]) => [...marksIn(inner)]))
  if (own) found.add(own.says)
  marked.set(schema, found)
  return found
}
const isMarked = (schema: Schema, says: readonly Says[]): boolean => says.some((one) => marksIn(schema).has(one))

const leading = new WeakMap<Record<string, Schema>, Map<Says, (readonly [string, Schema])[]>>()
/** The fields that lead to a mark: of a hundred thousand spots each has a dozen that do not. */
function markedFields(shape: Record<string, Schema>, says: Says): readonly (readonly [string, Schema])[] {
  const known = leading.get(shape) ?? new Map<Says, (readonly [string, Schema])[]>()
  leading.set(shape, known)
  const fields = known.get(says) ?? Object.entries(shape).filter(([, inner]) => marksIn(inner).has(says))
  known.set(says, fields)
  return fields
}

/** The option of a union whose `kind` is that of a value; the first where kinds do not tell. */
function optionFor(options: readonly Schema[], value: unknown): Schema | undefined {
  const kind = (value as { kind?: unknown } | null)?.kind
  return options.find((option) => holdsKind(option, kind)) ?? options[0]
}

function holdsKind(schema: Schema, kind: unknown): boolean {
  const { type, shape, options, left, right, innerType } = defOf(schema)
  if (type === 'object') {
    const own = shape?.kind && (defOf(shape.kind) as unknown as { values?: readonly unknown[] }).values
    return own?.includes(kind) ?? false
  }
  return [...(options ?? []), left, right, innerType].some((inner) => inner !== undefined && holdsKind(inner, kind))
}

/** Something in a value that its schema marks. */
export interface Found {
  readonly mark: Mark
  readonly value: unknown
  /** Names of fields and numbers of entries that lead there; the key itself where it is one of a record. */
  readonly path: readonly (string | number)[]
}

/** Visits everything in a value that its schema marks in a certain way: the one walk over ids, seeds and files. */
export const walk = (schema: Schema, value: unknown, says: Says, visit: (found: Found) => void): void =>
  step(schema, value, says, visit, [])

/** @param path leads to the value: one list for all of the walk, as of a hundred thousand touch-ups hardly one is visited */
function step(
  schema: Schema,
  value: unknown,
  says: Says,
  visit: (found: Found) => void,
  path: (string | number)[],
): void {
  if (value === undefined || value === null || !marksIn(schema).has(says)) return
  const mark = markOf(schema)
  if (mark?.says === says) visit({ mark, value, path: [...path] })
  const def = defOf(schema)
  if (def.shape)
    for (const [key, inner] of markedFields(def.shape, says))
      into(inner, (value as Record<string, unknown>)[key], key, says, visit, path)
  if (def.element) for (const [i, item] of (value as unknown[]).entries()) into(def.element, item, i, says, visit, path)
  if (def.items)
    for (const [i, inner] of def.items.entries()) into(inner, (value as unknown[])[i], i, says, visit, path)
  if (def.valueType)
    for (const [key, item] of Object.entries(value as object)) {
      if (def.keyType) into(def.keyType, key, key, says, visit, path)
      into(def.valueType, item, key, says, visit, path)
    }
  if (def.innerType) step(def.innerType, value, says, visit, path)
  if (def.options) {
    const option = optionFor(def.options, value)
    if (option) step(option, value, says, visit, path)
  }
  for (const side of [def.left, def.right]) if (side) step(side, value, says, visit, path)
}

function into(
  inner: Schema,
  at: unknown,
  key: string | number,
  says: Says,
  visit: (found: Found) => void,
  path: (string | number)[],
): void {
  if (at === undefined || at === null) return
  path.push(key)
  step(inner, at, says, visit, path)
  path.pop()
}

/** A place that a value has to give up. */
const GONE = Symbol('gone')

/** What becomes of values that are marked in one of some ways: another in their place, or `GONE`. */
interface Change {
  readonly says: readonly Says[]
  of(mark: Mark, value: unknown): unknown
}

/**
 * A value with its marked values changed; the same object where nothing changed. What is gone takes the nearest thing along
 * that can do without it: an optional field, an entry of a list or a record; a value that has another for that case takes that.
 */
function changed(schema: Schema, value: unknown, change: Change): unknown {
  if (value === undefined || value === null || !isMarked(schema, change.says)) return value
  const mark = markOf(schema)
  const now = mark && change.says.includes(mark.says) ? change.of(mark, value) : value
  if (now === GONE) return GONE
  const inside = changedInside(schema, now, change)
  return inside === GONE && mark?.says === 'otherwise' ? mark.value : inside
}

function changedInside(schema: Schema, value: unknown, change: Change): unknown {
  const def = defOf(schema)
  if (def.innerType) {
    const inner = changed(def.innerType, value, change)
    return inner === GONE && def.type === 'optional' ? undefined : inner
  }
  if (def.options) {
    const option = optionFor(def.options, value)
    return option ? changed(option, value, change) : value
  }
  if (def.left && def.right) {
    const left = changed(def.left, value, change)
    return left === GONE ? GONE : changed(def.right, left, change)
  }
  if (def.shape) return changedFields(def.shape, value as Record<string, unknown>, change)
  if (def.element) return changedList(schema, def.element, value as unknown[], change)
  if (def.items) {
    const items = def.items.map((inner, i) => changed(inner, (value as unknown[])[i], change))
    if (items.includes(GONE)) return GONE
    return items.every((item, i) => item === (value as unknown[])[i]) ? value : items
  }
  return def.valueType ? changedRecord(def, value as Record<string, unknown>, change) : value
}

function changedFields(shape: Record<string, Schema>, value: Record<string, unknown>, change: Change): unknown {
  let out = value
  for (const [key, inner] of Object.entries(shape)) {
    const now = changed(inner, value[key], change)
    if (now === GONE) return GONE
    if (now === value[key]) continue
    if (out === value) out = { ...value }
    if (now === undefined) delete out[key]
    else out[key] = now
  }
  return out
}

function changedList(schema: Schema, element: Schema, value: readonly unknown[], change: Change): unknown {
  const items = value.map((item) => changed(element, item, change))
  const kept = items.filter((item) => item !== GONE)
  if (kept.length === value.length && kept.every((item, i) => item === value[i])) return value
  return kept.length < leastLength(schema) ? GONE : kept
}

/** How few entries a list may have. */
function leastLength(schema: Schema): number {
  const checks = (schema._zod.def as { checks?: { _zod: { def: { check: string; minimum?: number } } }[] }).checks ?? []
  return Math.max(0, ...checks.map(({ _zod: { def } }) => (def.check === 'min_length' ? (def.minimum ?? 0) : 0)))
}

function changedRecord({ keyType, valueType }: Def, value: Record<string, unknown>, change: Change): unknown {
  const entries = Object.entries(value)
  const now: [string, unknown][] = []
  for (const [key, item] of entries) {
    const newKey = keyType ? changed(keyType, key, change) : key
    const inner = changed(valueType!, item, change)
    // An entry that was left with nothing goes too.
    const nothing = inner !== item && isEmptyObject(inner)
    if (newKey !== GONE && inner !== GONE && !nothing) now.push([newKey as string, inner])
  }
  const same = now.length === entries.length && now.every(([k, v], i) => k === entries[i][0] && v === entries[i][1])
  return same ? value : Object.fromEntries(now)
}

const isEmptyObject = (value: unknown): boolean =>
  typeof value === 'object' && value !== null && !Array.isArray(value) && Object.keys(value).length === 0

/** An id that a value names. */
export interface Reference {
  readonly to: RefKind
  readonly id: string
  readonly takes: Takes
  readonly what?: string
  readonly path: Found['path']
}

/** All ids that a value names, in the order of its fields, each as often as it names it. */
export function referencesIn(schema: Schema, value: unknown): Reference[] {
  const found: Reference[] = []
  walk(schema, value, 'ref', ({ mark, value: id, path }) => {
    if (mark.says === 'ref')
      found.push({ to: mark.to, id: id as string, takes: mark.takes, path, ...(mark.what && { what: mark.what }) })
  })
  return found
}

/** A value in which ids that it names are others; the same object where none is. Ids of its own stay. */
export const renamed = <T>(schema: Schema, value: T, now: (to: RefKind, id: string, takes: Takes) => string): T =>
  changed(schema, value, {
    says: ['ref'],
    of: (mark, old) => (mark.says === 'ref' ? now(mark.to, old as string, mark.takes) : old),
  }) as T

/** A value that names none of the ids that are gone; undefined where it cannot be without one of them. */
export function without<T>(schema: Schema, value: T, gone: (to: RefKind, id: string) => boolean): T | undefined {
  const out = changed(schema, value, {
    says: ['ref', 'otherwise', 'without'],
    of(mark, old) {
      if (mark.says === 'ref') return gone(mark.to, old as string) ? GONE : old
      if (mark.says !== 'without') return old
      const rest = mark.drop(old as never, (id) => gone('thing', id))
      return rest === undefined ? GONE : rest
    },
  })
  return out === GONE ? undefined : (out as T)
}

/** A value in which all that is left to chance starts from one seed. */
export const seeded = <T>(schema: Schema, value: T, seed: number): T =>
  changed(schema, value, { says: ['seed'], of: () => seed }) as T

/** A value in which all lengths are so many times as long. */
export const lengthened = <T>(schema: Schema, value: T, factor: number): T =>
  changed(schema, value, {
    says: ['length', 'sized'],
    of(mark, old) {
      if (mark.says === 'sized') return mark.by(old as never, factor)
      return mark.says === 'length' ? timesEach(old, factor ** mark.power) : old
    },
  }) as T
const timesEach = (value: unknown, by: number): unknown =>
  Array.isArray(value) ? value.map((each) => timesEach(each, by)) : (value as number) * by

/** One number of a value by the path that a walk gave, to be read and set in place. */
export function seededAt(value: unknown, path: Found['path']): { readonly value: number; set(to: number): void } {
  const holder = path
    .slice(0, -1)
    .reduce<unknown>((at, key) => (at as Record<string | number, unknown> | undefined)?.[key], value)
  const last = path[path.length - 1]
  const own = holder as Record<string | number, number> | undefined
  return {
    value: own?.[last] ?? 0,
    set: (to) => {
      if (own && last in own) own[last] = to
    },
  }
}
