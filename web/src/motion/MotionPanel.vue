<script setup lang="ts">
import { movementKinds } from '@hilera/core/motion/index'
import { movements } from '@hilera/core/motion/registry'
import { plural } from '@hilera/core/words'
import Menu from 'primevue/menu'
import { computed, useTemplateRef } from 'vue'
import { useStayOpen } from '../shell/stayOpen'
import { usePlayback } from '../stores/playback'
import { useSelection } from '../stores/selection'
import MovementSentence from './MovementSentence.vue'
import { useMovementEdits } from './movementEdits'

/** The sentences of how the picked pattern moves. */
const selection = useSelection()
const playback = usePlayback()
const edits = useMovementEdits()
const pattern = computed(() => selection.pattern)
const motion = computed(() => pattern.value?.motion ?? [])
/** It has no motion of its own, and moves with what it belongs to. */
const follows = computed(
  () => pattern.value && motion.value.length === 0 && playback.playing.of(pattern.value.id) !== undefined,
)
const menu = useTemplateRef<InstanceType<typeof Menu>>('menu')
const { shown, hidden } = useStayOpen(menu)
const items = computed(() =>
  movementKinds.map((kind) => ({
    label: `${movements[kind].words}: ${movements[kind].note}`,
    command: () => pattern.value && edits.add(pattern.value, kind),
  })),
)
</script>

<template>
  <div class="panel">
    <template v-if="pattern">
      <h2>{{ pattern.name }}</h2>
      <p class="note">
        <template v-if="follows">Moves with what it belongs to, until it has a motion of its own.</template>
        <template v-else-if="motion.length === 0">Stands from the start. Let it arrive, or keep moving.</template>
        <template v-else>
          <span class="figure">{{ motion.length }}</span> {{ plural(motion.length, 'sentence', 'sentences') }} of
          motion, after all that places it
        </template>
      </p>
      <MovementSentence
        v-for="(movement, i) in motion"
        :key="movement.id"
        :pattern="pattern"
        :movement="movement"
        :number="i + 1"
      />
      <button type="button" class="add" aria-haspopup="menu" @click="menu?.toggle($event)">Let it move</button>
      <Menu ref="menu" :model="items" popup @show="shown" @hide="hidden" />
    </template>
    <p v-else class="note">Pick a pattern at the left to say when its copies come, and how.</p>
  </div>
</template>

<style scoped>
.panel {
  height: 100%;
  overflow: auto;
  padding: 10px 16px 24px;
}
h2 {
  margin: 0;
  font-size: 21px;
  line-height: 1.25;
}
.note {
  margin: 2px 0 8px;
}
.add {
  width: 100%;
  margin-top: 12px;
  padding: 7px 10px;
  border: 1px dashed var(--edge);
  border-radius: 8px;
  background: none;
  color: var(--soft);
  text-align: left;
  cursor: pointer;
}
.add:hover {
  border-color: var(--madder);
  color: var(--madder);
}
</style>
