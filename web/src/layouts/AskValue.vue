<script setup lang="ts">
import { type Answer, payersOf, wantedOf } from '@hilera/core/asking/ask'
import type { Pattern } from '@hilera/core/model/pattern'
import Button from 'primevue/button'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { usePatternEdits } from '../patterns/patternEdits'
import PlainNumber from '../sentences/PlainNumber.vue'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import Words from '../sentences/Words.vue'
import { useDocument } from '../stores/document'
import type { Job } from '../worker/job'
import type { PatternUpdate } from '../worker/messages'
import { startAsk } from './startAsk'

/** A value that is to come out as it is wanted, and the number that pays for it, which is then worked out. */
const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate | undefined }>()
const document = useDocument()
const edits = usePatternEdits()

const wanted = computed(() => (props.outcome ? wantedOf(props.pattern, props.outcome) : []))
const wantKey = ref<string>()
/** The gap first: it is what is asked most. */
const want = computed(
  () =>
    wanted.value.find((w) => w.key === wantKey.value) ??
    wanted.value.find((w) => w.key.startsWith('gap')) ??
    wanted.value[0],
)
const payers = computed(() => (want.value ? payersOf(props.pattern, document.project, want.value.key) : []))
const payerKey = ref<string>()
/** What is not held pays before what the person holds. */
const payer = computed(
  () =>
    payers.value.find((p) => p.key === payerKey.value) ??
    payers.value.find((p) => p.field?.triple !== undefined && p.quantity !== 'count') ??
    payers.value[0],
)
const to = ref(0)
watch(
  () => want.value?.key,
  () => (to.value = want.value?.now ?? 0),
  { immediate: true },
)
const answer = shallowRef<Answer>()
/** How many states were tried so far, while it is worked out. */
const tried = ref<number>()
let run: Job<Answer> | undefined
onBeforeUnmount(() => run?.cancel())
watch(
  () => [want.value?.key, payer.value?.key, to.value, props.pattern.id],
  () => (answer.value = undefined),
)

async function workOut(): Promise<void> {
  if (!want.value || !payer.value) return
  const { key, words } = want.value
  const asked = { want: key, to: to.value, by: payer.value.key }
  tried.value = 0
  run = startAsk(document.project, document.meshes, props.pattern.id, asked, (n) => (tried.value = n))
  const made = await run.result.catch((fault: Error): Answer => ({ ok: false, says: [fault.message] }))
  tried.value = undefined
  answer.value = made
  if (!made?.ok) return
  const refused = await edits.change(props.pattern, words, (p) => {
    p.layout = made.pattern.layout
    p.steps = made.pattern.steps
  })
  answer.value = refused ? { ok: false, says: refused.says } : made
}
</script>

<template>
  <p v-if="want && payer" class="ask">
    Let the
    <ChoiceValue
      label="What is wanted"
      :value="want.key"
      :options="wanted.map((w) => ({ value: w.key, words: w.words }))"
      @pick="(key: string) => (wantKey = key)"
    />
    be <PlainNumber v-model="to" label="Wanted" :quantity="want.quantity" />; the
    <ChoiceValue
      label="What pays for it"
      :value="payer.key"
      :options="payers.map((p) => ({ value: p.key, words: p.words }))"
      @pick="(key: string) => (payerKey = key)"
    />
    pays for it.
    <Button
      v-if="tried === undefined"
      class="work"
      label="Work it out"
      size="small"
      severity="secondary"
      variant="outlined"
      @click="workOut"
    />
    <template v-else>
      <Button class="work" label="Stop" size="small" severity="secondary" variant="outlined" @click="run?.cancel()" />
      <span class="note" role="status"
        ><span class="figure">{{ tried }}</span> tried</span
      >
    </template>
    <span v-if="answer" class="answer" :class="{ none: !answer.ok }" role="status"
      ><Words :sentence="answer.says"
    /></span>
  </p>
</template>

<style scoped>
.ask {
  margin: 8px 0 2px;
  padding: 6px 0 0 10px;
  border-left: 2px solid var(--rule);
  color: var(--soft);
  font: 15px/1.8 var(--serif);
}
.work {
  font-family: var(--sans);
}
.answer {
  display: block;
  font: 12.5px/1.5 var(--sans);
}
.none {
  color: var(--vermilion);
}
.none :deep(.figure) {
  color: inherit;
}
</style>
