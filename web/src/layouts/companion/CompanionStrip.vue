<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import { formatNumber } from '@hilera/core/numbers/format'
import { computed } from 'vue'
import Button from 'primevue/button'
import { useDocument } from '../../stores/document'
import { useSelection } from '../../stores/selection'
import type { PatternUpdate } from '../../worker/messages'
import StripHead from '../../strip/StripHead.vue'

/** A companion has no spacing of its own: it stands where its host does. */
const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate }>()
const document = useDocument()
const selection = useSelection()
const every = computed(() => (props.pattern.layout.kind === 'companion' ? props.pattern.layout.every : 1))
const host = computed(() => {
  const { layout } = props.pattern
  return layout.kind === 'companion' ? document.project.patterns.find((p) => p.id === layout.host) : undefined
})
</script>

<template>
  <StripHead />
  <p class="note">
    These stand where <template v-if="every === 1">the copies</template
    ><template v-else
      >one in <span class="figure">{{ formatNumber(every, 0) }}</span> copies</template
    >
    of {{ host?.name }} {{ every === 1 ? 'do' : 'does' }}.
    <Button
      v-if="host"
      :label="`Show the strip of ${host.name}`"
      severity="secondary"
      variant="text"
      size="small"
      @click="selection.pickPattern(host.id)"
    />
  </p>
</template>
