<script setup lang="ts">
import { formatNumber } from '@hilera/core/numbers/format'
import type { Pick } from '@hilera/core/selection/pick'
import { plural } from '@hilera/core/words'
import Button from 'primevue/button'
import InputNumber from 'primevue/inputnumber'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import { type PickHow, usePickEdits } from './pickEdits'

/** Picks copies by a sentence; the count that it finds is shown live. */
const document = useDocument()
const outcomes = useOutcomes()
const selection = useSelection()
const edits = usePickEdits()

type Kind = 'all' | 'every' | 'range' | 'row' | 'column' | 'layer' | 'share' | 'name' | 'part'
const kind = ref<Kind>('every')
const where = ref<'pattern' | 'everywhere'>('pattern')
const every = ref(2)
const from = ref(1)
const to = ref(5)
const number = ref(1)
const share = ref(30)
const seed = ref(1)
const text = ref('')
const partId = ref('')

const kindOptions: { value: Kind; words: string }[] = [
  { value: 'all', words: 'all' },
  { value: 'every', words: 'one in every' },
  { value: 'range', words: 'numbers' },
  { value: 'row', words: 'row' },
  { value: 'column', words: 'column' },
  { value: 'layer', words: 'layer' },
  { value: 'share', words: 'a share of' },
  { value: 'name', words: 'named' },
  { value: 'part', words: 'copies of' },
]
const whereOptions = computed(() => [
  { value: 'pattern' as const, words: selection.pattern?.name ?? 'the pattern' },
  { value: 'everywhere' as const, words: 'all patterns' },
])
const partOptions = computed(() => document.project.parts.map((p) => ({ value: p.id, words: p.name })))
const part = computed(() => partId.value || document.project.parts[0]?.id || '')

const pick = computed<Pick>(() => {
  switch (kind.value) {
    case 'all':
      return { kind: 'all' }
    case 'every':
      return { kind: 'every', every: Math.max(1, every.value), from: Math.max(1, from.value) }
    case 'range':
      return { kind: 'range', from: from.value, to: to.value }
    case 'share':
      return { kind: 'share', share: share.value / 100, seed: seed.value }
    case 'name':
      return { kind: 'name', text: text.value }
    case 'part':
      return { kind: 'part', thing: outcomes.numberOf(part.value) }
    default:
      return { kind: 'line', which: kind.value, number: number.value }
  }
})
const found = computed(() => edits.found(pick.value, where.value === 'pattern' ? selection.patternId : undefined))
const count = computed(() => [...found.value.values()].reduce((n, keys) => n + keys.size, 0))
const take = (how: PickHow): void => edits.take(found.value, how)
const small = { size: 'small' as const, inputClass: 'figure', showButtons: false }
</script>

<template>
  <div class="pick">
    <p class="sentence">
      Pick <ChoiceValue label="Pick" :value="kind" :options="kindOptions" @pick="(k: Kind) => (kind = k)" />
      <template v-if="kind === 'every'">
        <InputNumber v-model="every" v-bind="small" :min="1" aria-label="Every" /> from number
        <InputNumber v-model="from" v-bind="small" :min="1" aria-label="From number" />
      </template>
      <template v-else-if="kind === 'range'">
        <InputNumber v-model="from" v-bind="small" :min="1" aria-label="From number" /> to
        <InputNumber v-model="to" v-bind="small" :min="1" aria-label="To number" />
      </template>
      <template v-else-if="kind === 'row' || kind === 'column' || kind === 'layer'">
        <InputNumber v-model="number" v-bind="small" :min="1" aria-label="Number" />
      </template>
      <template v-else-if="kind === 'share'">
        <InputNumber v-model="share" v-bind="small" :min="0" :max="100" suffix=" %" aria-label="Share" />, seed
        <InputNumber v-model="seed" v-bind="small" :min="0" aria-label="Seed" />
      </template>
      <template v-else-if="kind === 'name'">
        <InputText v-model="text" size="small" class="text" placeholder="part of a name" aria-label="Part of a name" />
      </template>
      <template v-else-if="kind === 'part'"
        >{{ ' '
        }}<ChoiceValue label="Part to pick" :value="part" :options="partOptions" @pick="(id: string) => (partId = id)"
      /></template>
      {{ ' ' }}in
      <ChoiceValue label="Where" :value="where" :options="whereOptions" @pick="(w: typeof where) => (where = w)" />:
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
.sentence :deep(.p-inputnumber) {
  width: 62px;
  margin: 0 3px;
}
.sentence :deep(.p-inputnumber-input) {
  width: 100%;
  padding: 2px 6px;
  font: 600 13px var(--mono);
}
.text {
  width: 120px;
  padding: 2px 6px;
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
