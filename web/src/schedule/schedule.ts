import { scheduleOf } from '@hilera/core/evaluation/schedule'
import { patternsIn } from '@hilera/core/model/grouping'
import { formatLengthBare, formatNumber } from '@hilera/core/numbers/format'
import type { Range } from '@hilera/core/words'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'

/** Everything that is shown, or one pattern or group by its id. */
const EVERYTHING = ''

/** Parts with their counts and sizes: of everything that is shown, of a pattern or of a group. */
export const useSchedule = defineStore('schedule', () => {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()
  const isOpen = ref(false)
  const of = ref(EVERYTHING)

  const choices = computed(() => [
    { value: EVERYTHING, words: 'everything that is shown' },
    ...document.project.groups.map(({ id, name }) => ({ value: id, words: name })),
    ...document.project.patterns.map(({ id, name }) => ({ value: id, words: name })),
  ])
  const patterns = computed(() => {
    const all = document.project.patterns
    if (of.value === EVERYTHING) return all.filter((p) => !p.hidden)
    const inside = patternsIn(document.project, of.value)
    return all.filter(({ id }) => id === of.value || inside.includes(id))
  })
  const hidden = computed(() =>
    of.value === EVERYTHING ? document.project.patterns.length - patterns.value.length : 0,
  )
  const rows = computed(() => {
    if (!isOpen.value) return []
    const found = patterns.value.flatMap(({ id }) => outcomes.byId.get(id) ?? [])
    return scheduleOf(found, outcomes.supportOf).map(({ thing, count, twins, size }) => ({
      name: outcomes.things[thing]?.name ?? '',
      count,
      twins,
      size: size.map((range) => lengths(range)),
    }))
  })
  const total = computed(() => rows.value.reduce((n, { count }) => n + count, 0))

  function lengths([least, most]: Range): string {
    const [from, to] = [least, most].map((n) => formatLengthBare(n, document.unit))
    return from === to ? from : `${from} to ${to}`
  }
  /** As a table for a mail or a spreadsheet: a line a part, tabs between, the sum at the end. */
  const text = computed(() => {
    const unit = document.unit
    const lines = rows.value.map(({ name, count, size }) => [name, formatNumber(count, 0), ...size])
    const head = ['Part', 'Copies', `Width, ${unit}`, `Height, ${unit}`, `Depth, ${unit}`]
    return [head, ...lines, ['Together', formatNumber(total.value, 0), '', '', '']]
      .map((line) => line.join('\t').trimEnd())
      .join('\n')
  })

  function open(): void {
    of.value = document.project.groups.find(({ id }) => selection.wholes.includes(id))?.id ?? EVERYTHING
    isOpen.value = true
  }
  return { isOpen, of, choices, rows, total, hidden, text, open }
})
