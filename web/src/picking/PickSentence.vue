<script setup lang="ts">
import { formatNumber } from '@hilera/core/numbers/format'
import { conditionsOf, pickWords, type PickWhere, type PickWords, whereSentence } from '@hilera/core/selection/sentence'
import { plural } from '@hilera/core/words'
import Button from 'primevue/button'
import { computed, shallowRef } from 'vue'
import SentenceItems from '../sentences/SentenceItems.vue'
import { useOwnSentence } from '../sentences/ownSentence'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import PickCondition from './PickCondition.vue'
import { type PickHow, usePickEdits } from './pickEdits'

/** Picks copies by a sentence of one condition or several; the count that it finds is shown live. */
const document = useDocument()
const outcomes = useOutcomes()
const selection = useSelection()
const edits = usePickEdits()

const fresh = (isFirst: boolean): PickWords => ({
  ...pickWords,
  isFirst,
  what: isFirst ? pickWords.what : 'part',
  part: document.project.parts[0]?.id ?? '',
})
const clauses = shallowRef<readonly PickWords[]>([fresh(true)])
const where = shallowRef<PickWhere>({ where: 'pattern' })
const sentence = useOwnSentence(
  () => whereSentence,
  where,
  () => ({ pattern: selection.pattern }),
)
/** More conditions than this are no sentence any more. */
const MOST = 6
const put = (at: number, words: PickWords): void => void (clauses.value = clauses.value.with(at, words))
const more = (): void => void (clauses.value = [...clauses.value, fresh(false)])
const away = (at: number): void => void (clauses.value = clauses.value.toSpliced(at, 1))
const found = computed(() => {
  const place = where.value.where
  const among = place === 'pattern' ? selection.patternId : place === 'everywhere' ? undefined : place
  return edits.found(conditionsOf(clauses.value, outcomes.numberOf), among)
})
const count = computed(() => [...found.value.values()].reduce((n, keys) => n + keys.size, 0))
const take = (how: PickHow): void => edits.take(found.value, how)
</script>

<template>
  <div class="pick">
    <p class="sentence">
      <PickCondition
        v-for="(words, at) in clauses"
        :key="at"
        :model-value="words"
        @update:model-value="put(at, $event)"
        @away="away(at)"
      />
      <button v-if="clauses.length < MOST" type="button" class="aside" @click="more">and …</button>
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
.sentence > .aside {
  margin: 0 6px;
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
