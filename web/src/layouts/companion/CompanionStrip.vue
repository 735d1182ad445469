<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import Button from 'primevue/button'
import { computed } from 'vue'
import { useDocument } from '../../stores/document'
import { useSelection } from '../../stores/selection'
import type { PatternUpdate } from '../../worker/messages'
import NearestStrip from '../../strip/NearestStrip.vue'

/** A companion has no spacing of its own: it stands where its host does, which is a click away. */
const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate }>()
const document = useDocument()
const selection = useSelection()
const host = computed(() => {
  const { layout } = props.pattern
  return layout.kind === 'companion' ? document.project.patterns.find((p) => p.id === layout.host) : undefined
})
</script>

<template>
  <NearestStrip :pattern="pattern" :outcome="outcome">
    <Button
      v-if="host"
      :label="`Show the strip of ${host.name}`"
      severity="secondary"
      variant="text"
      size="small"
      @click="selection.pickPattern(host.id)"
    />
  </NearestStrip>
</template>
