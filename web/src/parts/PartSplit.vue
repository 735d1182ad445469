<script setup lang="ts">
import type { Part } from '@hilera/core/model/part'
import { formatNumber } from '@hilera/core/numbers/format'
import type { Split } from '@hilera/core/links/splitPart'
import Button from 'primevue/button'
import { computed, onMounted, useTemplateRef } from 'vue'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import { useSplitting } from './splitting'

/** How a part from a file is split into parts, and what comes of it. */
const props = defineProps<{ part: Part }>()
const splitting = useSplitting()
const section = useTemplateRef<HTMLElement>('section')
// Its button stands at the end of a long panel.
onMounted(() => section.value?.scrollIntoView({ block: 'nearest' }))
const options: readonly { readonly value: Split['by']; readonly words: string; readonly note?: string }[] = [
  { value: 'pieces', words: 'what hangs together' },
  { value: 'looks', words: 'its looks', note: 'what its file gives one colour or picture' },
  { value: 'faces', words: 'faces that I pick', note: 'they become one part, the rest another' },
]
const told = computed(() => {
  const counts = splitting.fallen?.map((f) => f.triangles) ?? []
  if (counts.length === 0) return undefined
  const [least, most] = [Math.min(...counts), Math.max(...counts)].map((n) => formatNumber(n, 0))
  return {
    parts: formatNumber(counts.length, 0),
    range: least === most ? least : `${least} to ${most}`,
    each: least === most,
  }
})
</script>

<template>
  <section ref="section" class="split" :aria-label="`Split ${props.part.name}`">
    <p class="part-sentence">
      Split it by
      <ChoiceValue label="Split by" :value="splitting.by" :options="options" @pick="(by) => (splitting.by = by)" />.
    </p>
    <p v-if="splitting.by === 'faces'" class="note">
      Click faces on it; each goes as far as it bends by less than 30°.
      <span class="figure">{{ formatNumber(splitting.picked.size, 0) }}</span> of
      <span class="figure">{{ formatNumber(splitting.triangles / 3, 0) }}</span> triangles picked.
    </p>
    <p v-if="told" class="note" role="status">
      It becomes <span class="figure">{{ told.parts }}</span> parts of
      <span class="figure">{{ told.range }}</span> triangles{{ told.each ? ' each' : '' }}, put together as they are
      now: nothing moves.
    </p>
    <p v-else-if="splitting.refusal" class="note" role="status">{{ splitting.refusal }}</p>
    <p v-else class="note" role="status">Looking…</p>
    <div class="row">
      <Button
        label="Split it"
        size="small"
        :disabled="!told"
        :title="told ? undefined : splitting.refusal"
        @click="splitting.split"
      />
      <Button label="Leave it" severity="secondary" variant="text" size="small" @click="splitting.leave" />
    </div>
  </section>
</template>

<style scoped>
.split {
  margin: 8px 0;
  padding: 8px 10px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--paper);
}
.note {
  margin: 2px 0 6px;
}
.row {
  display: flex;
  gap: 6px;
}
</style>
