<script setup lang="ts">
import { formatLengthBare } from '@hilera/core/numbers/format'
import { bodiesOf } from '@hilera/core/placing/body'
import type { InRow } from '@hilera/core/placing/definition'
import { straightenedStrip } from '@hilera/core/placing/straightenedStrip'
import { worldTable } from '@hilera/core/placing/worldTable'
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

/** The picked things one after another as they will stand, with every gap in figures: along a direction, or along a curve pulled straight. */
const props = defineProps<{ row: InRow }>()
const document = useDocument()
const outcomes = useOutcomes()
const picked = usePicked()
const acts = useActs()

const measures = [
  { value: 'pitch', label: 'pitch' },
  { value: 'gap', label: 'gap' },
] as const
const measure = ref<Measure>(acts.act?.kind === 'space' ? acts.act.how.by : 'gap')
const worked = computed(() => ({
  project: outcomes.worked,
  outcomes: outcomes.patterns,
  supportOf: outcomes.supportOf,
}))
const things = computed(() => (props.row.as === 'straightened' ? props.row.of : picked.things))
const table = computed(() => worldTable(worked.value, things.value))
const direction = computed<Vec3>(() => (props.row.as === 'straight' ? [...props.row.direction] : [1, 0, 0]))
const strip = computed(() => {
  const { row } = props
  if (row.as === 'straight') return stripAlong(table.value, row.direction, outcomes.supportOf)
  const firsts: number[] = []
  row.of.reduce((n, of) => (firsts.push(n), n + (of.is === 'copy' ? 1 : of.ids.length)), 0)
  return straightenedStrip(bodiesOf(worked.value, row.of), row, (k) => firsts[k])
})
/** Along a curve what is clear between two is not what is clear along it: the figures are those that were worked out. */
const figures = computed(() => {
  const { row } = props
  if (row.as === 'straight') return undefined
  return (measure.value === 'gap' ? row.gaps : row.pitches).map((n) => formatLengthBare(n, document.unit))
})
function seen(k: number): { readonly along: Vec3; readonly above: Vec3 } {
  const { row } = props
  const along: Vec3 = row.as === 'straightened' ? [...row.ways[strip.value.row.indexOf(k)]] : direction.value
  return { along, above: Math.abs(along[1]) > 0.7 ? [-1, 0, 0] : [0, 1, 0] }
}
const room = computed(() => {
  const { count, low, high } = strip.value
  if (props.row.as === 'straightened' && props.row.closes !== undefined) return { low: 0, high: props.row.closes }
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
    :direction="direction"
    :room="room"
    :left="{ start: 0, end: 0 }"
    :measure="measure"
    :picked="undefined"
    :figures="figures"
    :seen="row.as === 'straightened' ? seen : undefined"
    still
  />
</template>
