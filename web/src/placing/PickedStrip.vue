<script setup lang="ts">
import { worldTable } from '@hilera/core/placing/worldTable'
import { stripAlong } from '@hilera/core/spacing/strip'
import type { Measure } from '@hilera/core/values/spacing'
import type { Vec3 } from '@hilera/core/values/values'
import { computed, ref } from 'vue'
import { useOutcomes } from '../stores/outcomes'
import ReadAs from '../strip/ReadAs.vue'
import StripBand from '../strip/StripBand.vue'
import StripHead from '../strip/StripHead.vue'
import { useActs } from './acts'
import { usePicked } from './picked'

/** The picked things one after another as they will stand, with every gap in figures. */
const props = defineProps<{ direction: Readonly<Vec3> }>()
const outcomes = useOutcomes()
const picked = usePicked()
const acts = useActs()

const measures = [
  { value: 'pitch', label: 'pitch' },
  { value: 'gap', label: 'gap' },
] as const
const measure = ref<Measure>(acts.act?.kind === 'space' ? acts.act.how.by : 'gap')
const table = computed(() => worldTable({ project: outcomes.worked, outcomes: outcomes.patterns }, picked.things))
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
