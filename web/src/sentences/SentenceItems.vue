<script setup lang="ts" generic="R">
import type { BoundChoice, Item } from '@hilera/core/sentences/bind'
import { inject } from 'vue'
import ChoiceValue from './ChoiceValue.vue'
import Clause from './Clause.vue'
import ColorValue from './ColorValue.vue'
import { ASK, type Asked, type SentenceEdits } from './edits'
import ListValue from './ListValue.vue'
import NumberValue from './NumberValue.vue'
import TextValue from './TextValue.vue'
import Words from './Words.vue'

/** A sentence as it stands: its words, its values to be edited in place, its clauses. */
const props = defineProps<{ items: readonly Item<R>[]; edits: SentenceEdits<R> }>()
defineSlots<{ list?(props: { item: Extract<Item<R>, { is: 'list' }> }): unknown }>()
const asking = inject(ASK, undefined)

const shownOptions = (item: BoundChoice<R>) =>
  item.options
    .filter((o) => !o.isRead || o.value === item.value)
    .map(({ value, words, name = '', note, toward, asks }) => ({
      value,
      words: words + name,
      ...(note && { note }),
      ...(toward && { toward }),
      ...(asks && { asks: true }),
    }))
function ask(asks: string, value: string, item: Asked<R>['item']): void {
  asking?.({ asks, value, item, edits: props.edits } as unknown as Asked<never>)
}
function pick(item: BoundChoice<R>, value: string): void {
  const option = item.options.find((o) => o.value === value)
  if (option?.asks) ask(option.asks, value, item)
  else void props.edits.change(item.undo(value), (root) => item.write(root, value))
}
</script>

<template>
  <template v-for="item in items" :key="item.key"
    ><template v-if="item.is === 'words'">{{ item.words }}</template
    ><Clause v-else-if="item.is === 'clause'" :neutral="item.neutral"
      ><SentenceItems :items="item.items" :edits="edits"
        ><template #list="list"><slot name="list" v-bind="list" /></template></SentenceItems></Clause
    ><NumberValue
      v-else-if="item.is === 'number'"
      :value="item.value"
      :quantity="item.quantity"
      :state="item.state"
      :label="item.label"
      :undo="edits.name(item.undo(item.value))"
      :check="item.check"
      :changing="edits.changing"
      :edit="(to) => edits.recipe((root) => item.write(root, to))" /><ChoiceValue
      v-else-if="item.is === 'choice'"
      :label="item.label"
      :value="item.value"
      :options="shownOptions(item)"
      @pick="(value: string) => pick(item, value)" /><template v-else-if="item.is === 'list'"
      ><slot v-if="item.asks" name="list" :item="item" /><ListValue v-else :item="item" :edits="edits" /></template
    ><TextValue
      v-else-if="item.is === 'text'"
      :text="item.value"
      :label="item.label"
      v-bind="item.asks && !item.isTyped ? { asks: () => ask(item.asks!, '', item) } : {}"
      :fixed="!item.asks && !item.write"
      @change="
        (text) =>
          item.write ? edits.change(item.undo(text), (root) => item.write!(root, text)) : ask(item.asks!, text, item)
      " /><ColorValue
      v-else-if="item.is === 'color'"
      :color="item.value"
      :label="item.label"
      @pick="(color: string) => edits.change(item.undo(color), (root) => item.write(root, color))" /><Words
      v-else
      :sentence="item.says"
  /></template>
</template>
