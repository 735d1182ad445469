<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import Popover from 'primevue/popover'
import { computed, ref, useTemplateRef } from 'vue'
import { putOnPath, puttable, thingsOf } from '../../patterns/gather'
import { useStayOpen } from '../../shell/stayOpen'
import { useDocument } from '../../stores/document'

/** Puts things that stand on places of their own on a path instead of new copies: as many as there are, in their order. */
const props = defineProps<{ pattern: Pattern }>()
const document = useDocument()
const popover = useTemplateRef<InstanceType<typeof Popover>>('popover')
const { shown, hidden } = useStayOpen(popover)
const alone = computed(() => puttable(document.project, props.pattern))
const countOf = (pattern: Pattern): number => thingsOf(pattern)?.length ?? 0
const chosen = ref<string[]>([])

function open(event: Event): void {
  chosen.value = alone.value.filter((p) => countOf(p) === 1).map((p) => p.id)
  popover.value?.toggle(event)
}
function put(): void {
  const ids = alone.value.map((p) => p.id).filter((id) => chosen.value.includes(id))
  popover.value?.hide()
  document.change(`put things on ${props.pattern.name}`, (project) => putOnPath(project, props.pattern.id, ids))
}
</script>

<template>
  <template v-if="alone.length > 0">
    <button type="button" class="aside" @click="open">Put other things on it</button>
    <Popover ref="popover" aria-label="Things to put on the path" @show="shown" @hide="hidden">
      <p class="note">They take the places of the copies, in this order; the patterns that hold them are then gone.</p>
      <label v-for="thing in alone" :key="thing.id" class="thing"
        ><Checkbox v-model="chosen" :value="thing.id" :input-id="`on-${thing.id}`" /> {{ thing.name }}
        <span class="figure">{{ countOf(thing) }}</span></label
      >
      <Button label="Put them on the path" size="small" :disabled="chosen.length === 0" @click="put" />
    </Popover>
  </template>
</template>

<style scoped>
p {
  max-width: 230px;
  margin: 0 0 6px;
}
.thing {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 26px;
}
.thing:last-of-type {
  margin-bottom: 10px;
}
</style>
