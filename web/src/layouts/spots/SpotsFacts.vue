<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import { formatNumber } from '@hilera/core/numbers/format'
import { computed } from 'vue'
import LayoutFacts from '../../sentences/LayoutFacts.vue'
import { useDocument } from '../../stores/document'
import type { PatternUpdate } from '../../worker/messages'

/** How many of each part have places of their own, the most used first. */
const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate | undefined }>()
const document = useDocument()
const own = computed(() => {
  const found = new Map<string, number>()
  if (props.pattern.layout.kind === 'spots')
    for (const { part } of props.pattern.layout.spots) if (part) found.set(part, (found.get(part) ?? 0) + 1)
  return [...found]
    .sort((a, b) => b[1] - a[1])
    .map(([id, n]) => ({ name: document.project.parts.find((p) => p.id === id)?.name ?? '?', n }))
})
</script>

<template>
  <LayoutFacts v-if="outcome?.problem || own.length === 0" :outcome="outcome" /><template v-else
    ><template v-for="({ name, n }, i) in own.slice(0, 6)" :key="name"
      >{{ i > 0 ? ' · ' : '' }}{{ name }} <span class="figure">{{ formatNumber(n, 0) }}</span></template
    ><template v-if="own.length > 6">
      · and <span class="figure">{{ formatNumber(own.length - 6, 0) }}</span> more parts</template
    ></template
  >
</template>
