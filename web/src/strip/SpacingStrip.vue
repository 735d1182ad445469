<script setup lang="ts">
import { computed } from 'vue'
import Words from '../sentences/Words.vue'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import { useView } from '../stores/view'
import ProfileStrip from './ProfileStrip.vue'
import { viewOf } from '../layouts'
import { useActs } from '../placing/acts'
import PickedStrip from '../placing/PickedStrip.vue'

/** The band under the stage: the picked pattern unrolled to scale, with every gap in figures. */
const selection = useSelection()
const acts = useActs()
const outcomes = useOutcomes()
const view = useView()
const profile = computed(() => {
  const { strip } = outcomes
  return strip && strip.id === selection.patternId ? strip.profile : undefined
})
const shown = computed(() => (selection.outcome && !selection.outcome.problem ? selection.pattern : undefined))
</script>

<template>
  <section class="strip" aria-label="Spacing strip" data-keys="strip">
    <PickedStrip v-if="acts.came?.row" :row="acts.came.row" />
    <ProfileStrip v-else-if="profile && view.profiled && shown" :profile="profile" :pattern="shown">
      <button type="button" class="aside" @click="view.profiled = false">Spacing</button>
    </ProfileStrip>
    <component
      :is="viewOf(shown.layout.kind).strip"
      v-else-if="shown && selection.outcome"
      :key="shown.id"
      :pattern="shown"
      :outcome="selection.outcome"
    />
    <button
      v-if="profile && !view.profiled && !acts.came?.row"
      type="button"
      class="aside ground"
      @click="view.profiled = true"
    >
      The ground under them
    </button>
    <p v-if="selection.outcome?.problem" class="note wrong">
      <Words :sentence="selection.outcome.problem.says" />
    </p>
    <p v-else-if="!shown" class="note">Pick a pattern: it is unrolled here to scale, with every gap in figures.</p>
  </section>
</template>

<style scoped>
.strip {
  height: 100%;
  padding: 8px 16px 4px;
  display: flex;
  flex-direction: column;
  min-height: 0;
  position: relative;
}
.ground {
  position: absolute;
  right: 16px;
  bottom: 6px;
}
.wrong {
  color: var(--vermilion);
}
</style>
