<script setup lang="ts">
import { segmentText } from '@hilera/core/numbers/format'
import type { Segment, Sentence } from '@hilera/core/words'
import { useDocument } from '../stores/document'

/** A sentence of the core, its figures set in the figures' type and in the unit of the day. */
defineProps<{ sentence: Sentence }>()

const document = useDocument()
const isFigure = (segment: Segment): boolean => typeof segment !== 'string' && !('words' in segment)
const toneOf = (segment: Segment): string => (typeof segment === 'string' ? 'plain' : (segment.tone ?? 'plain'))
</script>

<template>
  <span
    ><template v-for="(segment, i) in sentence" :key="i"
      ><span v-if="isFigure(segment)" class="figure" :class="toneOf(segment)">{{
        segmentText(segment, document.unit)
      }}</span
      ><span v-else :class="toneOf(segment)">{{ segmentText(segment, document.unit) }}</span></template
    ></span
  >
</template>

<style scoped>
.figure {
  color: var(--ink);
  font-weight: 600;
  white-space: nowrap;
}
.good {
  color: var(--verdigris);
}
.caution {
  color: var(--ochre);
}
.wrong {
  color: var(--vermilion);
}
</style>
