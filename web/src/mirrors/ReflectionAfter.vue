<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import type { Step } from '@hilera/core/steps/index'
import { computed } from 'vue'
import type { PatternUpdate } from '../worker/messages'
import { reflectionOf, useReflectionEdits } from './mirrorEdits'
import MirrorTools from './MirrorTools.vue'
import ShapeAnswers from './ShapeAnswers.vue'

/** What becomes of each mirrored shape, and what is done with the planes on the stage: of a mirror, or of a step that reflects. */
const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate | undefined; step?: Step }>()
const reflection = computed(() => reflectionOf(props.pattern, props.step?.id))
const edits = useReflectionEdits(
  () => props.pattern,
  () => props.step?.id,
)
const shapes = computed(() => props.outcome?.mirrors?.shapes ?? [])
</script>

<template>
  <template v-if="reflection">
    <ShapeAnswers v-if="reflection.what !== 'place'" :reflection="reflection" :edits="edits" :shapes="shapes" />
    <MirrorTools
      :reflection="reflection"
      :edits="edits"
      :pattern-id="pattern.id"
      v-bind="step && { stepId: step.id }"
    />
  </template>
</template>
