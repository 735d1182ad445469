<script setup lang="ts">
import { formatNumber } from '@hilera/core/numbers/format'
import { pickOf, pickSentence, type PickWords, pickWords } from '@hilera/core/selection/sentence'
import { plural } from '@hilera/core/words'
import Button from 'primevue/button'
import { computed, shallowRef } from 'vue'
import SentenceItems from '../sentences/SentenceItems.vue'
import { useOwnSentence } from '../sentences/ownSentence'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import { type PickHow, usePickEdits } from './pickEdits'

/** Picks copies by a sentence; the count that it finds is shown live. */
const document = useDocument()
const outcomes = useOutcomes()
const selection = useSelection()
const edits = usePickEdits()

const words = shallowRef<PickWords>({ ...pickWords, part: document.project.parts[0]?.id ?? '' })
const sentence = useOwnSentence(
  () => pickSentence,
  words,
  () => ({ pattern: selection.pattern }),
)
const found = computed(() =>
  edits.found(
    pickOf(words.value, outcomes.numberOf),
    words.value.where === 'pattern' ? selection.patternId : undefined,
  ),
)
const count = computed(() => [...found.value.values()].reduce((n, keys) => n + keys.size, 0))
const take = (how: PickHow): void => edits.take(found.value, how)
</script>

<template>
  <div class="pick">
    <p class="sentence">
      <SentenceItems :items="sentence.items.value" :edits="sentence.edits" />:
      <span class="figure count">{{ formatNumber(count, 0) }}</span> {{ plural(count, 'copy', 'copies') }}.
    </p>
    <div class="row">
      <Button label="Pick" size="small" :disabled="count === 0" @click="take('only')" />
      <Button
        label="Add"
        size="small"
        severity="secondary"
        variant="outlined"
        :disabled="count === 0"
        @click="take('add')"
      />
      <Button
        label="Take away"
        size="small"
        severity="secondary"
        variant="outlined"
        :disabled="count === 0"
        @click="take('away')"
      />
      <Button
        label="Keep of them"
        size="small"
        severity="secondary"
        variant="outlined"
        :disabled="selection.count === 0"
        :title="
          selection.count === 0 ? 'Pick copies first' : 'Of what is picked only what the sentence says stays picked'
        "
        @click="take('keep')"
      />
      <Button label="Invert" size="small" severity="secondary" variant="text" @click="edits.invert()" />
      <Button
        label="None"
        size="small"
        severity="secondary"
        variant="text"
        :disabled="selection.count === 0"
        @click="edits.none()"
      />
    </div>
  </div>
</template>

<style scoped>
.sentence {
  margin: 4px 0;
  font: 15.5px/2 var(--serif);
}
.count {
  font-weight: 600;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
</style>
