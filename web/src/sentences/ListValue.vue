<script setup lang="ts" generic="R">
import type { BoundList } from '@hilera/core/sentences/bind'
import { X } from '@lucide/vue'
import { computed } from 'vue'
import ChoiceValue from './ChoiceValue.vue'
import type { SentenceEdits } from './edits'

/** Things one after another in a sentence: each can be taken away or changed for another, and more are added. */
const props = defineProps<{ item: BoundList<R>; edits: SentenceEdits<R> }>()
const all = computed(() =>
  props.item.options.map(({ value, words, name = '', isRead }) => ({ value, words: words + name, isRead })),
)
const free = computed(() => all.value.filter(({ value, isRead }) => !isRead && !props.item.values.includes(value)))
const wordsOf = (value: string): string => all.value.find((o) => o.value === value)?.words ?? 'nothing'
const others = (own: string) =>
  all.value.filter(({ value }) => value === own || free.value.some((o) => o.value === value))
const set = (values: readonly string[]): void =>
  void props.edits.change(props.item.undo(''), (root) => props.item.write(root, values))
const change = (at: number, value: string): void => set(props.item.values.map((v, i) => (i === at ? value : v)))
const drop = (at: number): void => set(props.item.values.filter((_, i) => i !== at))
</script>

<template>
  <template v-for="(value, i) in item.values" :key="value"
    ><template v-if="i > 0">{{ i === item.values.length - 1 ? ' and ' : ', ' }}</template
    ><ChoiceValue
      v-if="item.canChange"
      :label="`${item.label} ${i + 1}`"
      :value="value"
      :options="others(value)"
      @pick="(to: string) => change(i, to)" /><span v-else class="name">{{ wordsOf(value) }}</span
    ><button
      v-if="item.values.length > item.least"
      type="button"
      class="tool less"
      :aria-label="`${item.less} ${wordsOf(value)}`"
      title="Take it away"
      @click="drop(i)"
    >
      <X :size="12" /></button></template
  ><template v-if="free.length > 0"
    >{{ ' '
    }}<ChoiceValue
      :label="item.more"
      value=""
      :options="[{ value: '', words: '+' }, ...free]"
      @pick="(value: string) => set([...item.values, value])" /></template
  ><template v-else-if="item.values.length === 0">nothing</template>
</template>

<style scoped>
.less {
  width: 18px;
  min-height: 24px;
  vertical-align: middle;
}
.name {
  font: 500 13px var(--sans);
}
</style>
