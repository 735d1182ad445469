<script setup lang="ts">
import { computed } from 'vue'
import { useActs } from '../placing/acts'
import { useTools } from '../placing/tools'
import { usePicking } from '../stores/picking'
import { useView } from '../stores/view'

/** The keys that matter now, always in the same place. */
const props = defineProps<{
  /** Something is dragged at the moment. */
  dragging: boolean
  /** What is picked has pins of its own. */
  held: boolean
}>()
const acts = useActs()
const tools = useTools()
const picking = usePicking()
const view = useView()

const hints = computed<readonly (readonly [key: string, does: string])[]>(() => {
  const catches = ['X', tools.isCatching ? 'catches nothing' : 'catches again'] as const
  if (picking.drawing)
    return [
      ['Drag', 'draws the outline'],
      ['Esc', 'gives it up'],
    ]
  if (picking.active) return [['Click', 'takes it'], catches, ['Esc', 'gives it up']]
  if (props.dragging)
    return [
      ['Alt', 'finer, catches nothing'],
      ['Shift', 'straight up'],
      ['Esc', 'leaves it as it was'],
    ]
  if (acts.open)
    return [
      ['Enter', 'accepts'],
      ['Esc', 'leaves it'],
    ]
  if (acts.shown)
    return [
      ['Enter', 'types the figure again'],
      ['Ctrl Z', 'takes it back'],
    ]
  if (props.held) return [['Drag', 'moves it'], ['Shift', 'picks more'], ['Alt', 'and a click marks'], catches]
  return [
    ['Click', 'picks'],
    ['Shift', 'adds to it'],
    ['W', 'frames it'],
    ['M', 'measures'],
  ]
})
</script>

<template>
  <p v-if="view.singleKeys" class="hints" aria-label="Keys that matter now">
    <span v-for="[key, does] in hints" :key="key"
      ><kbd>{{ key }}</kbd> {{ does }}</span
    >
  </p>
</template>

<style scoped>
.hints {
  position: absolute;
  left: 12px;
  bottom: 4px;
  display: flex;
  gap: 12px;
  max-width: calc(100% - 24px);
  margin: 0;
  padding: 1px 8px;
  overflow: hidden;
  white-space: nowrap;
  font-size: 11px;
  color: var(--soft);
  background: var(--stage);
  border-radius: 6px;
  pointer-events: none;
}
kbd {
  margin-right: 2px;
  padding: 0;
  border: 0;
  background: none;
  font-size: 10.5px;
  color: var(--ink);
}
</style>
