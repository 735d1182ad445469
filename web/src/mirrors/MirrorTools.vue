<script setup lang="ts">
import { plainPlane } from '@hilera/core/values/reflection'
import type { Reflection } from '@hilera/core/values/reflection'
import { computed } from 'vue'
import type { ReflectionEdits } from './mirrorEdits'
import { useMirrorOrTurn } from './mirrorOrTurn'
import { usePlanePicks } from './planePicks'

/** What is done with a mirror's planes on the stage, and the look at both answers side by side. */
const props = defineProps<{ reflection: Reflection; edits: ReflectionEdits; patternId: string; stepId?: string }>()
const last = computed(() => props.reflection.planes.length - 1)
const picks = usePlanePicks(
  () => props.patternId,
  () => props.edits,
)
const compare = useMirrorOrTurn()
/** One more plane, square to those that are there where that can be. */
function addPlane(): void {
  const used = props.reflection.planes.map((p) => (p.facing.kind === 'axis' ? p.facing.axis : undefined))
  const free = (['across', 'deep', 'up'] as const).find((axis) => !used.includes(axis)) ?? 'up'
  props.edits.change('planes', (r) => void r.planes.push(plainPlane(free)))
}
</script>

<template>
  <p class="tools">
    <button type="button" class="aside" @click="picks.onFace(last)">On a face</button>
    <button type="button" class="aside" @click="picks.through(last, 2)">Through two places</button>
    <button type="button" class="aside" @click="picks.through(last, 3)">Through three</button>
    <button v-if="last < 2" type="button" class="aside" @click="addPlane">One more plane</button>
    <button v-if="last > 0" type="button" class="aside" @click="edits.change('planes', (r) => void r.planes.pop())">
      One plane fewer
    </button>
    <button type="button" class="aside" @click="compare.open(patternId, stepId)">Mirror or turn?</button>
  </p>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  margin: 4px 0 0;
}
</style>
