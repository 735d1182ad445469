<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import type { Reflect } from '@hilera/core/steps/reflect/schema'
import { computed } from 'vue'
import { useReflectionEdits } from '../../mirrors/mirrorEdits'
import MirrorTools from '../../mirrors/MirrorTools.vue'
import ReflectionWords from '../../mirrors/ReflectionWords.vue'
import ShapeAnswers from '../../mirrors/ShapeAnswers.vue'
import { useDocument } from '../../stores/document'
import type { PatternUpdate } from '../../worker/messages'
import StepFrame from '../StepFrame.vue'

const props = defineProps<{ pattern: Pattern; step: Reflect; outcome: PatternUpdate | undefined; number: number }>()
const document = useDocument()
const edits = useReflectionEdits(
  () => props.pattern,
  () => props.step.id,
)
const shapes = computed(() => props.outcome?.mirrors?.shapes ?? [])
const patterned = computed(() =>
  shapes.value.some(({ id }) => {
    const part = document.project.parts.find((p) => p.id === id)
    return part?.look.grain ?? part?.look.picture ?? part?.shape.kind === 'mesh'
  }),
)
</script>

<template>
  <StepFrame :pattern="pattern" :step="step" :outcome="outcome" :number="number">
    Reflect all of it across
    <ReflectionWords
      :reflection="step"
      :edits="edits"
      :pattern-id="pattern.id"
      middle="the middle of the copies"
      :others="false"
      :patterned="patterned"
    />
    <template #after>
      <ShapeAnswers v-if="step.what !== 'place'" :reflection="step" :edits="edits" :shapes="shapes" />
      <MirrorTools :reflection="step" :edits="edits" :pattern-id="pattern.id" :step-id="step.id" />
    </template>
  </StepFrame>
</template>
