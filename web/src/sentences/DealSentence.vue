<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import { ArrowDown, ArrowUp, Layers, Plus, X } from '@lucide/vue'
import Popover from 'primevue/popover'
import type { Sentence } from '@hilera/core/words'
import { computed, ref, useTemplateRef } from 'vue'
import { usePatternEdits } from '../patterns/patternEdits'
import PartPicture from '../parts/PartPicture.vue'
import { useDocument } from '../stores/document'
import Step from './Step.vue'
import Words from './Words.vue'

/** Which parts a pattern deals, in which order. */
const props = defineProps<{ pattern: Pattern; number: number }>()
const document = useDocument()
const edits = usePatternEdits()
const popover = useTemplateRef<InstanceType<typeof Popover>>('popover')

const partOf = (id: string) => document.project.parts.find((p) => p.id === id)
const patternOf = (id: string) => document.project.patterns.find((p) => p.id === id)
const dealt = computed(() =>
  props.pattern.deal.parts.map((id) => ({ part: partOf(id), name: partOf(id)?.name ?? patternOf(id)?.name ?? '?' })),
)
const others = computed(() => document.project.patterns.filter((p) => p.id !== props.pattern.id))
const names = computed(() => dealt.value.map((p) => p.name).join(', '))

const problem = ref<Sentence>()
const deal = (edit: (parts: string[]) => void): void =>
  void (problem.value = edits.change(props.pattern, 'deal', (p) => edit(p.deal.parts))?.says)
const move = (at: number, by: number): void => deal((parts) => void parts.splice(at + by, 0, ...parts.splice(at, 1)))
const drop = (at: number): void => deal((parts) => void parts.splice(at, 1))
const add = (id: string): void => deal((parts) => void parts.push(id))
</script>

<template>
  <Step :number="number">
    Deal
    <span
      role="button"
      tabindex="0"
      class="choice"
      aria-haspopup="dialog"
      :aria-label="`Parts dealt: ${names}`"
      @click="popover?.toggle($event)"
      @keydown.enter.prevent.stop="popover?.toggle($event)"
      @keydown.space.prevent.stop="popover?.toggle($event)"
      >{{ names }}</span><template v-if="dealt.length > 1">{{ ' ' }}in turn</template>.
    <Popover ref="popover" :aria-label="`Parts dealt in ${pattern.name}`">
      <p class="note">Each copy gets the next part of this list; after the last it begins again.</p>
      <ol>
        <li v-for="({ part, name }, i) in dealt" :key="`${i} ${name}`">
          <PartPicture v-if="part" :part="part" :size="26" />
          <span class="name">{{ name }}</span>
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
            :disabled="dealt.length === 1"
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
  max-height: 240px;
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
