<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import Menu from 'primevue/menu'
import { computed, useTemplateRef, watch } from 'vue'
import { stepKinds } from '@hilera/core/steps/index'
import { steps } from '@hilera/core/steps/registry'
import { useStepEdits } from '../steps/stepEdits'
import { useCommands } from '../commands/commands'
import { useStayOpen } from '../shell/stayOpen'

const props = defineProps<{ pattern: Pattern }>()
const commands = useCommands()
const edits = useStepEdits()
const menu = useTemplateRef<InstanceType<typeof Menu>>('menu')
const { shown, hidden } = useStayOpen(menu)
const button = useTemplateRef<HTMLButtonElement>('button')
const items = computed(() =>
  stepKinds.map((kind) => ({
    label: `${steps[kind].words}: ${steps[kind].note}`,
    command: () => edits.add(props.pattern, kind),
  })),
)
watch(
  () => commands.stepMenuAsked,
  () => button.value?.click(),
)
</script>

<template>
  <button ref="button" type="button" class="add" aria-haspopup="menu" @click="menu?.toggle($event)">
    <span>Add a step</span><kbd>A</kbd>
  </button>
  <Menu ref="menu" :model="items" popup @show="shown" @hide="hidden" />
</template>

<style scoped>
.add {
  display: flex;
  justify-content: space-between;
  align-items: center;
  width: 100%;
  margin-top: 12px;
  padding: 7px 10px;
  border: 1px dashed var(--edge);
  border-radius: 8px;
  background: none;
  color: var(--soft);
  cursor: pointer;
}
.add:hover {
  border-color: var(--madder);
  color: var(--madder);
}
</style>
