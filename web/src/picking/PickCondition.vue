<script setup lang="ts">
import { pickSentence, type PickWords } from '@hilera/core/selection/sentence'
import { X } from '@lucide/vue'
import { onBeforeUnmount, provide } from 'vue'
import SentenceItems from '../sentences/SentenceItems.vue'
import { useOwnSentence } from '../sentences/ownSentence'
import { ASK } from '../sentences/edits'
import { usePicking } from '../stores/picking'
import { useSelection } from '../stores/selection'

/** One condition of a selection; all but the first can be taken away. */
const words = defineModel<PickWords>({ required: true })
const emit = defineEmits<{ away: [] }>()
const selection = useSelection()
const sentence = useOwnSentence(
  () => pickSentence,
  words,
  () => ({ pattern: selection.pattern }),
)
/** An outline is drawn on the stage; given up, it is still to be drawn. */
const picking = usePicking()
provide(ASK, ({ item, value, edits }) => {
  if (item.is === 'choice') void edits.change(undefined, (root: PickWords) => item.write(root as never, value))
  void picking.region('Draw an outline round what is to be picked').then((region) => {
    if (region) words.value = { ...words.value, what: 'region', region }
  })
})
onBeforeUnmount(() => picking.drawing?.answer(undefined))
</script>

<template>
  <span
    ><template v-if="!words.isFirst">, </template
    ><SentenceItems :items="sentence.items.value" :edits="sentence.edits" /><button
      v-if="!words.isFirst"
      type="button"
      class="tool away"
      aria-label="Take this condition away"
      title="Take this condition away"
      @click="emit('away')"
    >
      <X :size="13" /></button
  ></span>
</template>

<style scoped>
.away {
  vertical-align: middle;
}
</style>
