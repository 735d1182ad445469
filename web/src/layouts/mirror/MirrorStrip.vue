<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import Button from 'primevue/button'
import { computed } from 'vue'
import { useDocument } from '../../stores/document'
import { useSelection } from '../../stores/selection'
import type { PatternUpdate } from '../../worker/messages'
import StripHead from '../../strip/StripHead.vue'

/** A mirror has no spacing of its own: its copies stand as those that it mirrors do. */
const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate }>()
const document = useDocument()
const selection = useSelection()
const sources = computed(() => {
  const { layout } = props.pattern
  const ids = layout.kind === 'mirror' ? layout.sources.filter((s) => s.kind === 'pattern').map((s) => s.id) : []
  return document.project.patterns.filter((p) => ids.includes(p.id))
})
</script>

<template>
  <StripHead />
  <p class="note">
    Images stand as far apart as what they are images of.
    <Button
      v-for="source in sources.slice(0, 3)"
      :key="source.id"
      :label="`Show the strip of ${source.name}`"
      severity="secondary"
      variant="text"
      size="small"
      @click="selection.pickPattern(source.id)"
    />
  </p>
</template>
