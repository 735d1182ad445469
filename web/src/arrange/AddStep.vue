<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import Menu from 'primevue/menu'
import { computed, useTemplateRef, watch } from 'vue'
import { stepKinds } from '@hilera/core/steps/index'
import { steps } from '@hilera/core/steps/registry'
import { useStepEdits } from '../steps/stepEdits'
import { useCommands } from '../commands/commands'
import { stepViewOf } from '../steps/registry'
import AddButton from '../shell/AddButton.vue'
import type { ActionItem } from '../shell/menuItem'
import MenuLine from '../shell/MenuLine.vue'
import { useStayOpen } from '../shell/stayOpen'

const props = defineProps<{ pattern: Pattern }>()
const commands = useCommands()
const edits = useStepEdits()
const menu = useTemplateRef<InstanceType<typeof Menu>>('menu')
const { shown, hidden } = useStayOpen(menu)
const button = useTemplateRef<InstanceType<typeof AddButton>>('button')
const items = computed<ActionItem[]>(() =>
  stepKinds.map((kind) => ({
    label: `${steps[kind].words}: ${steps[kind].note}`,
    words: steps[kind].words,
    note: steps[kind].note,
    drawing: stepViewOf({ kind }).drawing,
    command: () => edits.add(props.pattern, kind),
  })),
)
watch(
  () => commands.stepMenuAsked,
  () => (button.value?.$el as HTMLElement | undefined)?.click(),
)
</script>

<template>
  <AddButton ref="button" words="Add a step" keys="A" menu @click="menu?.toggle($event)" />
  <Menu ref="menu" :model="items" popup @show="shown" @hide="hidden">
    <template #item="{ item, props: line }"><MenuLine :item="item" v-bind="line.action" /></template>
  </Menu>
</template>
