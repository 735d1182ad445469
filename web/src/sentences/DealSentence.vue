<script setup lang="ts">
import { addPart, dropPart, movePart } from '@hilera/core/deal/edits'
import type { Deal } from '@hilera/core/deal/schema'
import { dealSentence } from '@hilera/core/deal/sentence'
import { choiceOfDeal, dealOptions, partsTaken, placeWords } from '@hilera/core/deal/ways'
import type { Pattern } from '@hilera/core/model/pattern'
import { formatNumber } from '@hilera/core/numbers/format'
import { ArrowDown, ArrowUp, Layers, Plus, X } from '@lucide/vue'
import Popover from 'primevue/popover'
import type { Sentence } from '@hilera/core/words'
import { bind } from '@hilera/core/sentences/bind'
import { computed, provide, ref, useTemplateRef } from 'vue'
import { usePatternEdits } from '../patterns/patternEdits'
import { usePatternSentence } from '../patterns/patternSentence'
import PartPicture from '../parts/PartPicture.vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import type { PatternUpdate } from '../worker/messages'
import { useStayOpen } from '../shell/stayOpen'
import { useSurroundings } from './around'
import { ASK } from './edits'
import NumberValue from './NumberValue.vue'
import SentenceItems from './SentenceItems.vue'
import Step from './Step.vue'
import Words from './Words.vue'

/** Which parts a pattern deals, in which order. */
const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate | undefined; number: number }>()
const document = useDocument()
const outcomes = useOutcomes()
const edits = usePatternEdits()
const popover = useTemplateRef<InstanceType<typeof Popover>>('popover')
const button = useTemplateRef<HTMLElement>('button')
const { shown, hidden } = useStayOpen(popover)

const partOf = (id: string) => document.project.parts.find((p) => p.id === id)
const patternOf = (id: string) => document.project.patterns.find((p) => p.id === id)
const dealt = computed(() =>
  props.pattern.deal.parts.map((id) => ({
    id,
    part: partOf(id),
    name: partOf(id)?.name ?? patternOf(id)?.name ?? '?',
  })),
)
const others = computed(() => document.project.patterns.filter((p) => p.id !== props.pattern.id))
const names = computed(() => dealt.value.map((p) => p.name).join(', '))
const taken = computed(() => partsTaken(props.pattern.deal))
const random = computed(() => (props.pattern.deal.kind === 'random' ? props.pattern.deal : undefined))
/** How many copies that are there each dealt part has now, where there is more than one or a variant stands for it. */
const counts = computed(() => {
  const table = props.outcome?.table
  const { parts, variants } = props.pattern.deal
  if (!table || (parts.length < 2 && variants === undefined)) return []
  const { things } = outcomes
  const found = new Map<string, number>()
  for (let k = 0; k < table.count; k++) {
    const name = things[table.thing[k]]?.name
    if (name && table.isPresent(k)) found.set(name, (found.get(name) ?? 0) + 1)
  }
  return [...found]
})

const problem = ref<Sentence>()
const deal = async (edit: (deal: Deal) => void): Promise<void> => {
  problem.value = (await edits.change(props.pattern, 'deal', (p) => edit(p.deal)))?.says
}
const move = (at: number, by: number): Promise<void> => deal((d) => movePart(d, at, at + by))
const drop = (at: number): Promise<void> => deal((d) => dropPart(d, at))
/** Adds to the list; where a way of dealing takes so many, the last one gives way. */
const add = (id: string): Promise<void> =>
  deal((d) => {
    if (taken.value !== undefined) d.parts.splice(taken.value - 1, 1, id)
    else addPart(d, id)
  })
const weightCheck =
  (at: number) =>
  (n: number): Sentence | undefined =>
    n > 0 || (n === 0 && random.value!.weights.some((w, i) => i !== at && w > 0))
      ? undefined
      : ['One weight at least is more than 0.']
const recipe = (edit: (deal: Deal) => void) => edits.recipe(props.pattern.id, (p) => edit(p.deal))
const undo = computed(() => `deal of ${props.pattern.name}`)
const around = useSurroundings(
  () => props.pattern,
  () => props.outcome,
)
const said = usePatternSentence(
  () => props.pattern,
  () => true,
  () => 'deal',
)
const items = computed(() => bind(dealSentence, { root: props.pattern, into: (p: Pattern) => p }, around.value))
provide(ASK, () => popover.value?.show({ currentTarget: button.value } as unknown as Event))
</script>

<template>
  <Step :number="number" :name="`${pattern.id} deal`">
    <SentenceItems :items="items" :edits="said"
      ><template #list
        ><span
          ref="button"
          role="button"
          tabindex="0"
          class="choice"
          aria-haspopup="dialog"
          :aria-label="`Parts dealt: ${names}`"
          @click="popover?.toggle($event)"
          @keydown.enter.prevent.stop="popover?.toggle($event)"
          @keydown.space.prevent.stop="popover?.toggle($event)"
          >{{ names }}</span
        ></template
      ></SentenceItems
    >
    <template v-if="counts.length > 1 || pattern.deal.variants !== undefined" #facts
      ><template v-for="([name, n], i) in counts.slice(0, 8)" :key="name"
        >{{ i > 0 ? ' · ' : '' }}{{ name }} <span class="figure">{{ formatNumber(n, 0) }}</span></template
      ></template
    >
    <Popover ref="popover" :aria-label="`Parts dealt in ${pattern.name}`" @show="shown" @hide="hidden">
      <p class="note">{{ dealOptions.find((o) => o.value === choiceOfDeal(pattern.deal))?.note }}</p>
      <ol>
        <li v-for="({ part, name }, i) in dealt" :key="`${i} ${name}`">
          <PartPicture v-if="part" :part="part" :size="26" />
          <span class="name"
            ><small v-if="placeWords(pattern.deal, i)">{{ placeWords(pattern.deal, i) }} </small>{{ name }}</span
          >
          <NumberValue
            v-if="random"
            :value="random.weights[i]"
            quantity="factor"
            state="free"
            :label="`Weight of ${name}`"
            :undo="undo"
            :check="weightCheck(i)"
            :edit="(n) => recipe((d) => d.kind === 'random' && (d.weights[i] = n))"
          />
          <button
            type="button"
            :disabled="i === 0"
            :aria-label="`${name} earlier`"
            title="Earlier"
            @click="move(i, -1)"
          >
            <ArrowUp :size="14" />
          </button>
          <button
            type="button"
            :disabled="i === dealt.length - 1"
            :aria-label="`${name} later`"
            title="Later"
            @click="move(i, 1)"
          >
            <ArrowDown :size="14" />
          </button>
          <button
            type="button"
            :disabled="dealt.length === 1 || taken !== undefined"
            :aria-label="`Take ${name} out`"
            :title="dealt.length === 1 ? 'A pattern needs one part at least' : 'Take out'"
            @click="drop(i)"
          >
            <X :size="14" />
          </button>
        </li>
      </ol>
      <p v-if="problem" class="problem" role="alert"><Words :sentence="problem" /></p>
      <p class="note more">Add</p>
      <ul>
        <li v-for="part in document.project.parts" :key="part.id">
          <button type="button" class="add" :aria-label="`Deal ${part.name} too`" @click="add(part.id)">
            <PartPicture :part="part" :size="26" /><span class="name">{{ part.name }}</span
            ><Plus :size="14" />
          </button>
        </li>
        <li v-for="other in others" :key="other.id">
          <button type="button" class="add" :aria-label="`Deal the pattern ${other.name} too`" @click="add(other.id)">
            <Layers :size="18" /><span class="name">{{ other.name }}</span
            ><Plus :size="14" />
          </button>
        </li>
      </ul>
    </Popover>
  </Step>
</template>

<style scoped>
p {
  margin: 0 0 6px;
  max-width: 250px;
}
.problem {
  color: var(--vermilion);
}
.more {
  margin-top: 10px;
  padding-top: 8px;
  border-top: 1px solid var(--rule);
  font-weight: 600;
}
ol,
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: min(240px, 26vh);
  overflow: auto;
}
li {
  display: flex;
  align-items: center;
  gap: 4px;
}
.name {
  flex: 1;
  padding: 0 6px;
  text-align: left;
}
li button {
  display: grid;
  place-content: center;
  min-width: 26px;
  height: 28px;
  border: 0;
  border-radius: 5px;
  background: none;
  color: var(--soft);
  cursor: pointer;
}
li button:hover:not(:disabled) {
  background: var(--madder-wash);
  color: var(--madder);
}
li button:disabled {
  opacity: 0.35;
  cursor: default;
}
li .add {
  display: flex;
  align-items: center;
  width: 100%;
  padding: 0 6px 0 0;
  color: inherit;
}
</style>
