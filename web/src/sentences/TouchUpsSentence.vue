<script setup lang="ts">
import type { Pattern, TouchUp } from '@hilera/core/model/pattern'
import { formatNumber } from '@hilera/core/numbers/format'
import { X } from '@lucide/vue'
import { useVirtualList } from '@vueuse/core'
import { computed } from 'vue'
import { useCopyEdits } from '../patterns/copyEdits'
import { useSelection } from '../stores/selection'
import type { PatternUpdate } from '../worker/messages'
import Step from './Step.vue'

/** The copies of a pattern that were changed by hand, each with what was done and a way to take it off. */
const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate | undefined; number: number }>()
const selection = useSelection()
const edits = useCopyEdits()

const done = (t: TouchUp): string =>
  [
    t.empty && 'left empty',
    t.move && 'moved',
    t.turn && 'turned',
    t.size && 'sized',
    t.part && 'another part',
    t.held && 'held',
    t.unsettled && 'not settled',
  ]
    .filter(Boolean)
    .join(', ')
const list = computed(() =>
  Object.entries(props.pattern.touchUps)
    .map(([slot, touchUp]) => {
      const row = props.outcome ? props.outcome.table.rowOf(slot) : -1
      return { slot, row, words: done(touchUp) }
    })
    .sort((a, b) => (a.row < 0 ? 1 : b.row < 0 ? -1 : a.row - b.row)),
)
const waiting = computed(() => list.value.filter((t) => t.row < 0).length)
// Only what is seen is there: a hundred thousand rows held the page for more than a minute.
const { list: seen, containerProps, wrapperProps } = useVirtualList(list, { itemHeight: 26, overscan: 6 })
</script>

<template>
  <Step :number="number">
    <span class="figure">{{ formatNumber(list.length, 0) }}</span> touched up by hand.
    <template v-if="waiting > 0" #facts
      ><span class="figure">{{ formatNumber(waiting, 0) }}</span> {{ waiting === 1 ? 'waits' : 'wait' }} for a copy that
      is not there now</template
    >
    <template #after>
      <div v-bind="containerProps" class="list">
        <ul v-bind="wrapperProps">
          <li v-for="{ data: t } in seen" :key="t.slot" :class="{ picked: t.slot === selection.slot }">
            <button type="button" class="pick" @click="selection.pickCopy(pattern.id, t.slot)">
              <span class="figure">{{ t.row < 0 ? '–' : formatNumber(t.row + 1, 0) }}</span> {{ t.words }}
            </button>
            <button
              type="button"
              class="off"
              :aria-label="`Take the touch-up off copy ${t.row + 1}`"
              title="Take it off"
              @click="edits.reset([t.slot])"
            >
              <X :size="14" />
            </button>
          </li>
        </ul>
      </div>
    </template>
  </Step>
</template>

<style scoped>
.list {
  margin-top: 6px;
  max-height: 160px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  height: 26px;
  border-radius: 5px;
}
.picked {
  background: var(--madder-wash);
}
button {
  border: 0;
  background: none;
  min-height: 26px;
  border-radius: 5px;
  cursor: pointer;
}
.pick {
  flex: 1;
  text-align: left;
}
.pick .figure {
  display: inline-block;
  min-width: 24px;
  font-weight: 600;
}
.off {
  color: var(--soft);
  width: 26px;
}
button:hover {
  color: var(--madder);
}
</style>
