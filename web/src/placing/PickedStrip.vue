<script setup lang="ts">
import { InstanceTable, type Placing } from '@hilera/core/instances'
import { inWorld } from '@hilera/core/placing/body'
import { stripAlong } from '@hilera/core/spacing/strip'
import type { Measure } from '@hilera/core/values/spacing'
import type { Vec3 } from '@hilera/core/values/values'
import { computed, ref } from 'vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import ReadAs from '../strip/ReadAs.vue'
import StripBand from '../strip/StripBand.vue'
import StripHead from '../strip/StripHead.vue'
import { useActs } from './acts'
import { usePicked } from './picked'

/** The picked things one after another as they will stand, with every gap in figures. */
const props = defineProps<{ direction: Readonly<Vec3> }>()
const document = useDocument()
const outcomes = useOutcomes()
const picked = usePicked()
const acts = useActs()

const measures = [
  { value: 'pitch', label: 'pitch' },
  { value: 'gap', label: 'gap' },
] as const
const measure = ref<Measure>(acts.act?.kind === 'space' ? acts.act.how.by : 'gap')
interface Row {
  readonly own: InstanceTable | undefined
  readonly row: number
  readonly thing: number
  readonly stands: Placing
}
/** Things of several patterns in one table, in the axes of the world. */
const table = computed(() => {
  const { worked } = outcomes
  const all = new InstanceTable()
  const rows = picked.things.flatMap((of): Row[] => {
    const id = of.is === 'copy' ? of.pattern : of.ids[0]
    const pattern = document.project.patterns.find((p) => p.id === id)
    const own = outcomes.byId.get(id)?.table
    if (!pattern || !own) return []
    if (of.is === 'patterns') {
      const thing = worked.parts.length + worked.patterns.findIndex((p) => p.id === id)
      return [
        {
          own: undefined,
          row: 0,
          thing,
          stands: inWorld(pattern, { move: [0, 0, 0], turn: [0, 0, 0, 1], size: [1, 1, 1] }),
        },
      ]
    }
    const row = own.rowOf(of.slot)
    return row < 0 ? [] : [{ own, row, thing: own.thing[row], stands: inWorld(pattern, own.placingOf(row)) }]
  })
  all.neutral(rows.length)
  for (const [k, { own, row, thing, stands }] of rows.entries()) {
    if (own) all.putRow(own, row, k)
    all.setMove(k, stands.move)
    all.setTurn(k, stands.turn)
    all.setSize(k, stands.size)
    all.thing[k] = thing
    all.slotLow[k] = k
    all.slotHigh[k] = 0
  }
  all.slotsChanged()
  return all
})
const strip = computed(() => stripAlong(table.value, props.direction, outcomes.supportOf))
const room = computed(() => {
  const { count, low, high } = strip.value
  return count > 0
    ? { low: low[0], high: high.subarray(0, count).reduce((a, b) => Math.max(a, b), -Infinity) }
    : { low: 0, high: 1 }
})
</script>

<template>
  <StripHead :working="[`of the ${picked.things.length} that are picked, as they will stand`]">
    <ReadAs v-model="measure" :options="measures" />
  </StripHead>
  <StripBand
    v-if="strip.count > 0"
    :strip="strip"
    :table="table"
    :direction="[...direction] as Vec3"
    :room="room"
    :left="{ start: 0, end: 0 }"
    :measure="measure"
    :picked="undefined"
    still
  />
</template>
