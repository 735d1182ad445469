import { Ledger, type LedgerCopy } from '@hilera/core/ledger/ledger'
import { type LedgerColumn, ledgerColumns } from '@hilera/core/ledger/columns'
import { formatNumber } from '@hilera/core/numbers/format'
import type { LengthUnit } from '@hilera/core/numbers/units'
import { putPlaced } from '@hilera/core/placing/exactly'
import type { Problem } from '@hilera/core/words'
import { useLocalStorage } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'

/** A line of the table: where its copy is found. */
export interface Line {
  readonly line: number
}

const usual = ledgerColumns.filter(({ aside }) => !aside).map(({ key }) => key)

/** All copies as lines of a table: which of them are shown, in which order, and what is typed into them. */
export function useLedger() {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()
  /** Gaps to the nearest copies, measured while their column is shown. */
  const gaps = shallowRef<{ readonly of: object; readonly by: ReadonlyMap<string, Float64Array> }>()
  const ledger = computed(() => {
    const known = gaps.value?.of === outcomes.patterns ? gaps.value.by : undefined
    return new Ledger(outcomes.worked, outcomes.patterns, known)
  })
  /** The keys of the columns that are shown. */
  const chosen = useLocalStorage<string[]>('hilera.ledger.columns', usual)
  const columns = computed(() => ledgerColumns.filter(({ key }) => chosen.value.includes(key)))
  watch(
    () => [outcomes.patterns, chosen.value.includes('nearest')] as const,
    async ([of, isShown]) => {
      if (!isShown) return
      const by = await outcomes.nearestGaps()
      if (of === outcomes.patterns) gaps.value = { of, by }
    },
    { immediate: true },
  )
  /** Only lines in which a pattern's or a part's name has this in it. */
  const filter = ref('')
  const pickedOnly = ref(false)
  const order = ref<{ readonly key: string; readonly down: boolean }>()

  const isPicked = ({ pattern, slot }: LedgerCopy): boolean => selection.picks.get(pattern.id)?.has(slot) ?? false

  const lines = computed((): Line[] => {
    const { value: all } = ledger
    const text = filter.value.trim().toLowerCase()
    const found: Line[] = []
    for (let line = 0; line < all.count; line++) {
      if (text !== '' || pickedOnly.value) {
        const copy = all.copy(line)
        if (pickedOnly.value && !isPicked(copy)) continue
        if (text !== '' && !`${copy.pattern.name}\n${copy.thing.name}`.toLowerCase().includes(text)) continue
      }
      found.push({ line })
    }
    const by = order.value && ledgerColumns.find(({ key }) => key === order.value?.key)
    return by ? sorted(all, found, by, order.value!.down) : found
  })

  function sortBy(key: string): void {
    const now = order.value
    order.value = now?.key !== key ? { key, down: false } : now.down ? undefined : { key, down: true }
  }

  /**
   * Types a value into a line, or into all picked ones where the line is picked: one step of undo.
   *
   * @returns why it cannot be
   */
  async function put(line: number, column: LedgerColumn, to: number): Promise<Problem | undefined> {
    const all = ledger.value
    const own = all.copy(line)
    const copies = isPicked(own) ? Array.from({ length: all.count }, (_, k) => all.copy(k)).filter(isPicked) : [own]
    const targets = copies.flatMap((copy) => {
      const placed = column.placed?.(copy, to)
      const of = { is: 'copy', pattern: copy.pattern.id, slot: copy.slot } as const
      return placed ? [{ of, from: copy.stands, to: placed }] : []
    })
    const made = await outcomes.place(targets)
    if (!made.ok) return made.problem
    const words = targets.length === 1 ? 'one copy' : `${formatNumber(targets.length, 0)} copies`
    return document.change(`${column.words.toLowerCase()} of ${words}`, (project) => putPlaced(project, made.value))
  }

  return { ledger, chosen, columns, filter, pickedOnly, order, lines, isPicked, sortBy, put }
}

/** Lines by the value of a column; those that are alike keep their order. */
function sorted(ledger: Ledger, lines: readonly Line[], { read }: LedgerColumn, down: boolean): Line[] {
  const sign = down ? -1 : 1
  const keys = lines.map((line) => ({ line, value: read(ledger.copy(line.line)) }))
  const words = new Intl.Collator('en', { numeric: true })
  keys.sort((a, b) =>
    typeof a.value === 'number' && typeof b.value === 'number'
      ? sign * (a.value - b.value)
      : sign * words.compare(String(a.value), String(b.value)),
  )
  return keys.map(({ line }) => line)
}

/** A number of a column without its unit, which stands in the column's head. */
export function cellText(value: number | string, { quantity }: LedgerColumn, unit: LengthUnit): string {
  if (typeof value === 'string' || !quantity) return String(value)
  const per = {
    length: 1 / { mm: 0.001, cm: 0.01, m: 1, in: 0.0254, ftin: 0.0254 }[unit],
    angle: 180 / Math.PI,
    share: 100,
  }
  const times = quantity in per ? per[quantity as keyof typeof per] : 1
  const places = quantity === 'count' ? 0 : quantity === 'length' && unit === 'm' ? 4 : 2
  const text = formatNumber(value * times, places)
  if (quantity === 'count') return text
  // Below each other they are compared by their decimals.
  const decimals = text.split('.')[1] ?? ''
  return `${text}${decimals === '' ? '.' : ''}${'0'.repeat(places - decimals.length)}`
}

/** What stands in a column's head after its name. */
export const unitText = ({ quantity }: LedgerColumn, unit: LengthUnit): string =>
  quantity === 'length' ? (unit === 'ftin' ? 'in' : unit) : quantity === 'angle' ? '°' : quantity === 'share' ? '%' : ''
