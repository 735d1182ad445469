<script setup lang="ts">
import type { ActDefinition } from '@hilera/core/placing/definition'
import { formatNumber } from '@hilera/core/numbers/format'
import { liveName, liveWord } from '@hilera/core/placing/live'
import { type ActKind, acts } from '@hilera/core/placing/registry'
import Button from 'primevue/button'
import { computed, provide } from 'vue'
import { newId } from '../names'
import { ASK } from '../sentences/edits'
import Facts from '../sentences/Facts.vue'
import { useOwnSentence } from '../sentences/ownSentence'
import SentenceItems from '../sentences/SentenceItems.vue'
import Step from '../sentences/Step.vue'
import Words from '../sentences/Words.vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { usePicking } from '../stores/picking'
import { useSelection } from '../stores/selection'
import LineUpDrawing from './LineUpDrawing.vue'
import { useActs } from './acts'
import { usePicked } from './picked'

/** An act on what is picked: its sentence, what it comes to, and accepting or leaving it. */
const props = defineProps<{ kind: ActKind }>()
const store = useActs()
const picked = usePicked()
const picking = usePicking()
const document = useDocument()
const outcomes = useOutcomes()
const selection = useSelection()
const definition = computed(() => acts[props.kind] as unknown as ActDefinition<object>)
const sentence = useOwnSentence<object>(
  () => definition.value.sentence(store.came?.worked ?? {}, picked.things.length === 1),
  computed({
    get: () => store.values[props.kind],
    set: (how) => store.setHow(props.kind, how as never),
  }),
)
provide(ASK, ({ asks, item, value, edits }) => {
  if (item.is !== 'choice') return
  if (asks === 'face to stand on') return void store.askFace()
  const what = asks === 'place to go about' ? 'Click the place to go about' : 'Click the thing to line up with'
  void picking.place(what).then((at) => {
    if (!at) return
    if (asks === 'place to go about')
      return store.setHow('move', { ...store.values.move, about: 'place', at: [...at.point] })
    if (!at.copy) return
    store.other = { is: 'copy', pattern: at.copy.patternId, slot: at.copy.slot }
    void edits.change(undefined, (root) => item.write(root, value))
  })
})
const lead = computed(() => (store.other && props.kind === 'lineUp' ? store.other : picked.marked))
const become = computed(() => liveWord(store.values.space))
/** The spaced copies become a pattern that keeps their spacing; it is read next. */
async function makeLive(): Promise<void> {
  const [first] = picked.things
  if (!first || first.is !== 'copy') return
  const from = document.project.patterns.find((p) => p.id === first.pattern)
  const id = newId('pattern')
  const name = liveName(document.project, store.values.space, from?.name ?? '')
  const made = await outcomes.madeLive(picked.things, store.values.space, id, name)
  if (!made.ok) return void (store.problem = made.problem.says)
  const refused = await document.change(`make them a live ${become.value}`, (project) => {
    project.patterns = made.value.patterns
    project.sets = made.value.sets
  })
  if (!refused) selection.pickPattern(id)
}
const told = computed(() => (lead.value ? picked.nameOf(lead.value) : ''))
</script>

<template>
  <section class="act" :aria-label="definition.words">
    <Step :name="`act ${kind}`">
      <SentenceItems :items="sentence.items.value" :edits="sentence.edits" />
      <template #facts>
        <span v-if="store.problem" class="wrong" role="alert"><Words :sentence="store.problem" /></span>
        <template v-else>
          <Facts v-if="store.came" :facts="store.came.facts" />
          <span v-if="store.isWorking" role="status">Working it out… Esc leaves it.</span>
        </template>
      </template>
      <template #after>
        <LineUpDrawing
          v-if="kind === 'lineUp'"
          :how="store.values.lineUp"
          :these="picked.things.length === 1 ? 'it' : `these ${formatNumber(picked.things.length, 0)}`"
          :that="told"
          @change="(how) => store.setHow('lineUp', how)"
        />
        <div v-if="store.open" class="row">
          <Button
            :disabled="!!store.problem"
            size="small"
            aria-label="Accept"
            :title="store.problem ? 'First what stands above has to be said otherwise' : 'Enter'"
            @click="void store.accept()"
            >Accept <kbd>Enter</kbd></Button
          >
          <Button
            severity="secondary"
            variant="outlined"
            size="small"
            aria-label="Leave it"
            title="Esc"
            @click="store.leave()"
            >Leave it <kbd>Esc</kbd></Button
          >
          <button v-if="!store.isNeutral" type="button" class="aside" @click="store.reset()">Back to neutral</button>
        </div>
        <p v-else class="note">Done, as one step. Every value can be typed again, as often as you like.</p>
        <button v-if="!store.open && kind === 'space'" type="button" class="aside" @click="makeLive">
          Make them a live {{ become }} of this spacing
        </button>
        <p v-if="picked.things.length > 1 && lead" class="note">
          {{ told }} leads. <button type="button" class="aside" @click="picked.markNext()">Mark the next</button>, or
          another with Alt and a click.
        </p>
      </template>
    </Step>
  </section>
</template>

<style scoped>
.act :deep(.step) {
  grid-template-columns: 1fr;
  border-top: 0;
  padding-bottom: 4px;
}
.act :deep(.number) {
  display: none;
}
.row {
  display: flex;
  align-items: center;
  gap: 8px;
  margin: 10px 0 6px;
}
kbd {
  border: 0;
  background: none;
  color: inherit;
  opacity: 0.7;
}
.wrong {
  color: var(--vermilion);
}
</style>
