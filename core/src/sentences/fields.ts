import { produce } from 'immer'
import { unquoted } from './names'
import type { NumberField, ReferenceField } from './nodes'
import { listAt, optionAt } from './options'
import type { Field } from './phrases'
import { quantityAt, workedOut } from './quantity'
import { type Reading, type State, around } from './reading'
import { SMALL } from './small'

/** Past small words before a value. */
function* starts(at: number, { tokens }: Reading): Generator<number> {
  yield at
  for (let i = at; i < at + 3 && tokens[i] && SMALL.has(tokens[i].text.toLowerCase()); i++) yield i + 1
}

export function matchField<R>(
  field: Field,
  into: (root: R) => unknown,
  state: State<R>,
  reading: Reading,
): State<R> | undefined {
  for (const at of starts(state.at, reading)) {
    const next = fieldAt(field, into, { ...state, at }, reading)
    if (next) return { ...next, score: next.score - 0.1 * (at - state.at) }
  }
  return undefined
}

function fieldAt<R>(field: Field, into: (root: R) => unknown, state: State<R>, reading: Reading): State<R> | undefined {
  const write = (edit: (value: unknown) => void): R =>
    produce(state.root, (draft) => {
      edit(into(draft as R))
    })
  const { tokens } = reading
  const token = tokens[state.at]
  if (!token) return undefined
  switch (field.is) {
    case 'number':
      return numberAt(field, into, write, state, reading)
    case 'choice': {
      const found = optionAt(field, into(state.root), state, reading)
      const known = around(state.root, reading)
      if (!found && field.isTaken && token.is === 'quoted')
        return { ...state, at: state.at + 1, score: state.score + 0.5 }
      return (
        found && {
          ...state,
          at: found.next,
          score: state.score + found.score,
          root: write((value) => field.write(value, found.value, known)),
        }
      )
    }
    case 'list': {
      const found = listAt(field, into(state.root), state, reading)
      return (
        found && {
          ...state,
          at: found.next,
          made: found.made,
          score: state.score + 2 * found.values.length,
          root: write((value) => field.write(value, found.values)),
        }
      )
    }
    case 'text':
      if (token.is !== 'quoted') return undefined
      return {
        ...state,
        at: state.at + 1,
        score: state.score + 1,
        root: write((value) => field.write?.(value, unquoted(token.text))),
      }
    case 'color':
      return token.is === 'color'
        ? {
            ...state,
            at: state.at + 1,
            score: state.score + 2,
            root: write((v) => field.write(v, token.text.toLowerCase())),
          }
        : undefined
    case 'reference':
      return referenceAt(field, into, write, state, reading)
  }
}

function numberAt<R>(
  field: NumberField<unknown>,
  into: (root: R) => unknown,
  write: (edit: (value: unknown) => void) => R,
  state: State<R>,
  reading: Reading,
): State<R> | undefined {
  const name = `${field.triple ?? ''} ${field.label}`
  const remark = workedOut(state.at, reading)
  if (remark !== undefined) {
    const root = write((v) => field.letGo?.(v))
    return { ...state, at: remark, root, score: state.score + 1, worked: [...state.worked, name] }
  }
  const found = quantityAt(state.at, field.quantity(into(state.root)), reading)
  if (!found) return undefined
  return {
    ...state,
    at: found.next,
    score: state.score + 2,
    said: [...state.said, name],
    root: write((v) => field.write(v, found.value)),
  }
}
/** So much of something, "as in" the one that has it. */
function referenceAt<R>(
  field: ReferenceField<unknown>,
  into: (root: R) => unknown,
  write: (edit: (value: unknown) => void) => R,
  state: State<R>,
  reading: Reading,
): State<R> | undefined {
  const { tokens } = reading
  if (tokens[state.at]?.is !== 'number') return undefined
  for (let i = state.at + 1; i < state.at + 8 && tokens[i]; i++) {
    if (tokens[i].text.toLowerCase() !== 'as' || tokens[i + 1]?.text.toLowerCase() !== 'in') continue
    const from = reading.owner({ at: i + 2 })
    const source = from && into(from.root as R)
    if (from && kindOf(source) === kindOf(into(state.root)))
      return { ...state, at: from.next, score: state.score + 3, root: write((value) => field.take(value, source)) }
    let end = i + 2
    while (tokens[end] && !/^[.,;]$/.test(tokens[end].text)) end++
    return { ...state, at: end, score: state.score + 3, unknown: [...state.unknown, { from: i, to: end }] }
  }
  return undefined
}

const kindOf = (value: unknown): unknown => (value as { kind?: unknown } | undefined)?.kind
