<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import { formatLength } from '@hilera/core/numbers/format'
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { useDocument } from '../stores/document'
import type { PatternUpdate } from '../worker/messages'
import StripHead from './StripHead.vue'
import { useStrip } from './useStrip'

/** What has no order is shown copy by copy by the distance to its nearest neighbour, the closest first. */
const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate }>()
const document = useDocument()
const { unrolled } = useStrip('nearest', props)
const box = useTemplateRef<HTMLElement>('box')
const { width, height } = useElementSize(box)

const distances = computed(() => Array.from(unrolled.value?.distances ?? []).filter(Number.isFinite))
const LEFT = 64
const most = computed(() => distances.value.at(-1) ?? 1)
const floor = computed(() => height.value - 6)
const tall = computed(() => Math.max(floor.value - 14, 10))
/** One bar a pixel at the most, each the least of those that fall on it. */
const bars = computed(() => {
  const list = distances.value
  const room = Math.max(width.value - LEFT - 8, 10)
  const count = Math.min(list.length, Math.floor(room / 2))
  const each = room / Math.max(count, 1)
  return Array.from({ length: count }, (_, i) => {
    const value = list[Math.floor((i * list.length) / count)]
    return {
      x: LEFT + i * each,
      width: Math.max(each - (each > 4 ? 1 : 0.3), 0.7),
      height: (value / most.value) * tall.value,
      value,
    }
  })
})
const mean = computed(() => distances.value.reduce((sum, d) => sum + d, 0) / Math.max(distances.value.length, 1))
/** What is asked for, where its layout keeps a least distance. */
const asked = computed(() => {
  const { layout } = props.pattern
  return 'least' in layout && layout.how === 'even' ? layout.least : undefined
})
</script>

<template>
  <StripHead :working="outcome.working"
    ><span class="note"
      >nearest neighbour of every copy, from pivot to pivot, closest first<template v-if="distances.length > 0">
        · mean <span class="figure">{{ formatLength(mean, document.unit) }}</span></template
      ></span
    >
    <slot />
  </StripHead>
  <p v-if="distances.length === 0" class="note">It takes two to have a distance between them.</p>
  <div v-else ref="box" class="box">
    <svg
      v-if="width > 0 && distances.length"
      :width="width"
      :height="height"
      role="img"
      :aria-label="`${distances.length} distances, from ${formatLength(distances[0], document.unit)} to ${formatLength(most, document.unit)}`"
    >
      <rect
        v-for="(bar, i) in bars"
        :key="i"
        :x="bar.x"
        :y="floor - bar.height"
        :width="bar.width"
        :height="bar.height"
        class="bar"
      />
      <path :d="`M${LEFT} ${floor}H${width - 8}`" class="axis" />
      <text :x="LEFT - 6" :y="floor - tall + 8" class="end">{{ formatLength(most, document.unit) }}</text>
      <text :x="LEFT - 6" :y="floor" class="end">{{ formatLength(0, document.unit) }}</text>
      <g v-if="asked !== undefined" class="asked">
        <path :d="`M${LEFT} ${floor - (asked / most) * tall}H${width - 8}`" />
        <text :x="width - 10" :y="floor - (asked / most) * tall - 4" class="end">
          {{ formatLength(asked, document.unit) }} wanted
        </text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.box {
  flex: 1;
  min-height: 50px;
}
.bar {
  fill: var(--verdigris);
  fill-opacity: 0.5;
}
.axis {
  stroke: var(--edge);
}
text {
  font: 500 11px var(--mono);
  fill: var(--soft);
}
.end {
  text-anchor: end;
}
.asked path {
  stroke: var(--madder);
  stroke-dasharray: 3 3;
}
.asked text {
  fill: var(--madder);
}
</style>
