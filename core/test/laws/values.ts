import fc, { type Arbitrary } from 'fast-check'
import type { z } from 'zod'
import { markOf, type RefKind, type Takes } from '../../src/values/marks'
import { defOf } from '../../src/values/walk'

type Schema = z.core.$ZodType

/** What the ids of a value may name. */
export type Names = (to: RefKind, takes: Takes) => readonly string[]

interface Check {
  readonly _zod: { readonly def: Readonly<Record<string, unknown>> }
}
const checksOf = (schema: Schema): Readonly<Record<string, unknown>>[] =>
  ((schema._zod.def as { checks?: Check[] }).checks ?? []).map((c) => c._zod.def)

/** Lengths and counts that stay in a room, so that a project has some hundred copies and not millions. */
const [LEAST, MOST, COUNT] = [0.06, 0.6, 6]

function numberOf(schema: Schema): Arbitrary<number> {
  let [least, most] = [-MOST, MOST]
  let whole = (schema._zod.def as { format?: string }).format === 'safeint'
  for (const check of checksOf(schema)) {
    if (check.check === 'greater_than') least = Math.max(check.value as number, check.inclusive ? 0 : LEAST)
    if (check.check === 'less_than') most = Math.min(most, check.value as number)
    if (check.check === 'number_format') whole = true
  }
  if (whole) {
    const from = Math.max(Math.ceil(least), 1)
    return fc.integer({ min: from, max: Math.max(from + 2, COUNT) })
  }
  const within = (min: number, max: number): Arbitrary<number> =>
    fc
      .double({ min: Math.min(min, max), max: Math.max(min, max), noNaN: true })
      .map((n) => Math.round(n * 1000) / 1000 + 0)
  // Most numbers are lengths that can be met; anything else there may be is tried too.
  return fc.oneof(
    { weight: 4, arbitrary: within(Math.max(least, LEAST), Math.max(most, LEAST)) },
    { weight: 1, arbitrary: within(least, most) },
  )
}

/**
 * Any value that a schema of the document takes, its ids among those that there are: made from the schema itself, so that a new
 * field, layout or step is tried by itself.
 */
export function anyOf(schema: Schema, names: Names): Arbitrary<unknown> {
  const mark = markOf(schema)
  const made =
    mark?.says === 'ref'
      ? oneOfNames(names(mark.to, mark.takes))
      : mark?.says === 'seed'
        ? fc.nat(1000)
        : mark?.says === 'own' || mark?.says === 'former'
          ? fc.uuid().map((id) => id.slice(0, 8))
          : bareOf(schema, names)
  // A refinement is met by trying again; nothing of it is known here.
  return checksOf(schema).some((c) => c.check === 'custom') || defOf(schema).type === 'intersection'
    ? made.filter((value) => (schema as z.ZodType).safeParse(value).success)
    : made
}

const oneOfNames = (ids: readonly string[]): Arbitrary<unknown> =>
  ids.length > 0 ? fc.constantFrom(...ids) : fc.constant('nobody')

function bareOf(schema: Schema, names: Names): Arbitrary<unknown> {
  const def = defOf(schema)
  const inner = (s: Schema): Arbitrary<unknown> => anyOf(s, names)
  const values = schema._zod.def as { values?: readonly unknown[]; entries?: Record<string, string> }
  switch (def.type) {
    case 'number':
      return numberOf(schema)
    case 'boolean':
      return fc.boolean()
    case 'literal':
      return fc.constantFrom(...values.values!)
    case 'enum':
      return fc.constantFrom(...Object.values(values.entries!))
    case 'optional':
      return fc.option(inner(def.innerType!), { nil: undefined, freq: 2 })
    case 'object':
      return fc
        .record(Object.fromEntries(Object.entries(def.shape!).map(([key, s]) => [key, inner(s)])))
        .map((made) => Object.fromEntries(Object.entries(made).filter(([, value]) => value !== undefined)))
    case 'union':
      return fc.oneof(...def.options!.map(inner))
    case 'intersection':
      return fc.tuple(inner(def.left!), inner(def.right!)).map(([a, b]) => ({ ...(a as object), ...(b as object) }))
    case 'tuple':
      return fc.tuple(...def.items!.map(inner))
    case 'array': {
      const checks = checksOf(schema)
      const exact = checks.find((c) => c.check === 'length_equals')?.length as number | undefined
      const least = exact ?? (checks.find((c) => c.check === 'min_length')?.minimum as number | undefined) ?? 0
      return fc.array(inner(def.element!), { minLength: least, maxLength: exact ?? Math.max(least, 3) })
    }
    case 'record':
      return fc.dictionary(keysOf(def.keyType!, names), inner(def.valueType!), { maxKeys: 3 })
    case 'string':
      return fc.constantFrom('0', '1', '3')
    default:
      throw new Error(`a value of ${def.type} is not known here`)
  }
}

const keysOf = (schema: Schema, names: Names): Arbitrary<string> => anyOf(schema, names) as Arbitrary<string>
