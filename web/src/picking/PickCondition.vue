<script setup lang="ts">
import { pickSentence, type PickWords } from '@hilera/core/selection/sentence'
import { X } from '@lucide/vue'
import SentenceItems from '../sentences/SentenceItems.vue'
import { useOwnSentence } from '../sentences/ownSentence'
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
