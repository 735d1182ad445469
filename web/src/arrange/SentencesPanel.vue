<script setup lang="ts">
import { definitionOf } from '@hilera/core/layouts/index'
import { byTouchUps } from '@hilera/core/steps/index'
import { plural } from '@hilera/core/words'
import { computed } from 'vue'
import { useLasting } from '../patterns/lasting'
import { usePatternEdits } from '../patterns/patternEdits'
import AddStep from './AddStep.vue'
import Proposed from '../mirrors/Proposed.vue'
import PickPanel from '../picking/PickPanel.vue'
import OverlapList from './OverlapList.vue'
import CopySentence from '../sentences/CopySentence.vue'
import DealSentence from '../sentences/DealSentence.vue'
import LayoutSentence from '../layouts/LayoutSentence.vue'
import PartSentence from '../sentences/PartSentence.vue'
import StepSentence from '../steps/StepSentence.vue'
import PlaceSentence from '../sentences/PlaceSentence.vue'
import TouchUpsSentence from '../sentences/TouchUpsSentence.vue'
import NameField from '../shell/NameField.vue'
import { useDocument } from '../stores/document'
import { useSelection } from '../stores/selection'
import UnderPanel from '../under/UnderPanel.vue'
import { underOf } from '../under/underEdits'

const selection = useSelection()
const edits = usePatternEdits()
const document = useDocument()
const under = computed(() => underOf(document.project, selection.underId))
const pattern = computed(() => selection.pattern)
const touched = computed(() => Object.keys(pattern.value?.touchUps ?? {}).length)
/** Whether any copy takes its part from the deal. */
const dealt = computed(() => {
  const layout = pattern.value?.layout
  return layout !== undefined && (definitionOf(layout).deals?.(layout) ?? true)
})
/** Steps before the touch-ups, and after them. */
const sorted = computed(() => byTouchUps(pattern.value?.steps ?? []))
/** The number of the first sentence after deal and layout. */
const first = computed(() => (dealt.value ? 3 : 2))
const afterShaping = computed(() => first.value + sorted.value.before.length)
const afterTouchUps = computed(() => afterShaping.value + (touched.value > 0 ? 1 : 0))
useLasting()
const steps = computed(() => afterTouchUps.value + sorted.value.after.length)
const rename = (name: string): void =>
  void (pattern.value && edits.change(pattern.value, 'name', (p) => void (p.name = name)))
</script>

<template>
  <div class="panel" data-keys="sentences">
    <UnderPanel v-if="under" :key="under.id" :under="under" />
    <PartSentence v-else-if="selection.part" :key="selection.part.id" :part="selection.part" />
    <PickPanel v-if="!under || selection.count > 0" />
    <CopySentence
      v-if="!under && pattern && selection.slot !== undefined"
      :key="`${pattern.id} ${selection.slot}`"
      :pattern="pattern"
      :outcome="selection.outcome"
    />
    <template v-if="pattern && !under">
      <h2><NameField :name="pattern.name" label="Name of the pattern" @rename="rename" /></h2>
      <Proposed :pattern-id="pattern.id" />
      <p class="note read">{{ steps }} {{ plural(steps, 'sentence', 'sentences') }}, read from top to bottom</p>
      <LayoutSentence :pattern="pattern" :outcome="selection.outcome" :number="1" />
      <DealSentence v-if="dealt" :pattern="pattern" :outcome="selection.outcome" :number="2" />
      <StepSentence
        v-for="(step, i) in sorted.before"
        :key="step.id"
        :pattern="pattern"
        :step="step"
        :outcome="selection.outcome"
        :number="first + i"
      />
      <TouchUpsSentence v-if="touched > 0" :pattern="pattern" :outcome="selection.outcome" :number="afterShaping" />
      <StepSentence
        v-for="(step, i) in sorted.after"
        :key="step.id"
        :pattern="pattern"
        :step="step"
        :outcome="selection.outcome"
        :number="afterTouchUps + i"
      />
      <PlaceSentence :pattern="pattern" :number="steps" />
      <OverlapList :pattern="pattern" />
      <AddStep :pattern="pattern" />
    </template>
    <p v-else-if="!selection.part && !under" class="note none">Pick a pattern to read and change how it is made.</p>
  </div>
</template>

<style scoped>
.panel {
  height: 100%;
  overflow: auto;
  padding: 10px 16px 24px;
}
h2 {
  padding: 0 4px;
  margin: 0 -4px;
  overflow: hidden;
  font-size: 21px;
  line-height: 1.25;
}
.read {
  margin: 2px 0 8px;
}
.none {
  margin-top: 20px;
}
</style>
