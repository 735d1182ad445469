<script setup lang="ts">
import { computed } from 'vue'
import Words from '../sentences/Words.vue'
import { useSelection } from '../stores/selection'
import { viewOf } from '../layouts'
import { useActs } from '../placing/acts'
import PickedStrip from '../placing/PickedStrip.vue'

/** The band under the stage: the picked pattern unrolled to scale, with every gap in figures. */
const selection = useSelection()
const acts = useActs()
const shown = computed(() => (selection.outcome && !selection.outcome.problem ? selection.pattern : undefined))
</script>

<template>
  <section class="strip" aria-label="Spacing strip" data-keys="strip">
    <PickedStrip v-if="acts.came?.direction" :direction="acts.came.direction" />
    <component
      :is="viewOf(shown.layout.kind).strip"
      v-else-if="shown && selection.outcome"
      :key="shown.id"
      :pattern="shown"
      :outcome="selection.outcome"
    />
    <p v-else-if="selection.outcome?.problem" class="note wrong">
      <Words :sentence="selection.outcome.problem.says" />
    </p>
    <p v-else class="note">Pick a pattern: it is unrolled here to scale, with every gap in figures.</p>
  </section>
</template>

<style scoped>
.strip {
  height: 100%;
  padding: 8px 16px 4px;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.wrong {
  color: var(--vermilion);
}
</style>
