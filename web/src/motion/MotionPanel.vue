<script setup lang="ts">
import { takersOf } from '@hilera/core/links/shared'
import { groupsOf } from '@hilera/core/model/grouping'
import { movementKinds } from '@hilera/core/motion/index'
import { movements } from '@hilera/core/motion/registry'
import { formatNumber } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import Menu from 'primevue/menu'
import AddButton from '../shell/AddButton.vue'
import { watchDebounced } from '@vueuse/core'
import { computed, onBeforeUnmount, useTemplateRef } from 'vue'
import { useStayOpen } from '../shell/stayOpen'
import { useDocument } from '../stores/document'
import { usePlayback } from '../stores/playback'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import CameraPanel from './CameraPanel.vue'
import MovementSentence from './MovementSentence.vue'
import { useLeaps } from './leaps'
import { useMovementEdits } from './movementEdits'

/** The sentences of how the picked pattern moves. */
const selection = useSelection()
const playback = usePlayback()
const document = useDocument()
const edits = useMovementEdits()
const outcomes = useOutcomes()
const leaps = useLeaps()
const leaping = computed(() => pattern.value && leaps.found.get(pattern.value.id))
// Once nothing has changed for a while, and the stage has its moment.
watchDebounced(
  () => [outcomes.worked, playback.isPlaying],
  () => (playback.isPlaying ? leaps.stop() : void leaps.look()),
  { debounce: 600, immediate: true },
)
onBeforeUnmount(leaps.stop)
const pattern = computed(() => selection.pattern)
const motion = computed(() => pattern.value?.motion ?? [])
/** Those in which it lies, from the nearest, where it does not only follow others in them. */
const groups = computed(() =>
  groupsOf(document.project, pattern.value?.group).filter(({ id }) =>
    takersOf(document.project, id).some((p) => p.id === pattern.value?.id),
  ),
)
/** It has no motion of its own, and moves with what it belongs to. */
const follows = computed(
  () => pattern.value && motion.value.length === 0 && playback.playing.of(pattern.value.id) !== undefined,
)
const menu = useTemplateRef<InstanceType<typeof Menu>>('menu')
const { shown, hidden } = useStayOpen(menu)
const items = computed(() => [
  ...movementKinds.map((kind) => ({
    label: `${movements[kind].words}: ${movements[kind].note}`,
    command: () => pattern.value && edits.add(pattern.value, kind),
  })),
  // What changes in time are the numbers of one pattern.
  ...groups.value.flatMap((group) => [
    { separator: true },
    ...movementKinds
      .filter((kind) => !movements[kind].valueAt)
      .map((kind) => ({
        label: `All of ${group.name}: ${movements[kind].words.toLowerCase()}`,
        command: () => edits.addToAll(group, kind),
      })),
  ]),
])
</script>

<template>
  <div class="panel">
    <template v-if="pattern">
      <h2>{{ pattern.name }}</h2>
      <p class="note">
        <template v-if="follows">Moves with what it belongs to, until it has a motion of its own.</template>
        <template v-else-if="motion.length === 0"
          >Stands from the start. Let it arrive, keep moving, or change.</template
        >
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
      <p v-if="leaps.progress !== undefined" class="note" role="status">
        Looking for leaps, <span class="figure">{{ Math.round(leaps.progress * 100) }} %</span>
      </p>
      <p v-else-if="leaping" class="note leaping" role="status">
        <template v-if="leaping.leaps > 0">
          <span class="figure">{{ leaping.leaps }}</span>
          {{ plural(leaping.leaps, 'leap', 'leaps') }} of more than half of a copy’s size from one picture to the
          next</template
        ><template v-if="leaping.leaps > 0 && leaping.leftOut > 0">, </template
        ><template v-if="leaping.leftOut > 0">
          <span class="figure">{{ leaping.leftOut }}</span> left out on the way</template
        >, the first at <span class="figure">{{ formatNumber(leaping.first, 2) }} s</span>
      </p>
      <AddButton words="Let it move" menu @click="menu?.toggle($event)" />
      <Menu ref="menu" :model="items" popup @show="shown" @hide="hidden" />
    </template>
    <p v-else class="note">Pick a pattern at the left to say when its copies come, and how.</p>
    <CameraPanel />
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
.leaping {
  color: var(--ochre);
}
</style>
