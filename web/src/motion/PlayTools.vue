<script setup lang="ts">
import { LONGEST_MOTION, MOST_PICTURES } from '@hilera/core/limits'
import { formatNumber } from '@hilera/core/numbers/format'
import { Pause, Play, Repeat, SkipBack, Video } from '@lucide/vue'
import { computed } from 'vue'
import NumberValue from '../sentences/NumberValue.vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { usePlayback } from '../stores/playback'

/** Plays, once or round and round, and says how long it is and at how many pictures a second. */
const document = useDocument()
const outcomes = useOutcomes()
const playback = usePlayback()
const arrived = computed(() => {
  let [all, there] = [0, 0]
  for (const { id, hidden, motion } of outcomes.worked.patterns) {
    // Those that go with others are not counted again.
    const bars = hidden || !motion?.some(({ kind }) => kind === 'arrive') ? [] : (playback.playing.of(id)?.bars ?? [])
    all += bars.length
    for (const { to } of bars) if (to <= playback.moment) there++
  }
  return { all, there }
})
const isLate = computed(() => playback.playing.end > playback.clock.length + 1e-9)
</script>

<template>
  <div class="told">
    <span class="chip"
      >At <span class="figure">{{ formatNumber(playback.moment, 2) }} s</span></span
    >
    <span v-if="arrived.all > 0" class="chip"
      ><span class="figure">{{ arrived.there }}</span> of <span class="figure">{{ arrived.all }}</span> have
      arrived</span
    >
    <span v-if="isLate" class="chip late"
      >The last one ends at <span class="figure">{{ formatNumber(playback.playing.end, 2) }} s</span>, after the
      end</span
    >
  </div>
  <div class="play">
    <div class="group" role="group" aria-label="Play">
      <button type="button" class="go" @click="playback.isPlaying ? playback.stop() : playback.play()">
        <component :is="playback.isPlaying ? Pause : Play" :size="14" aria-hidden="true" />
        {{ playback.isPlaying ? 'Stop' : 'Play' }}
      </button>
      <button type="button" aria-label="To the start" title="To the start" @click="playback.goTo(0)">
        <SkipBack :size="14" />
      </button>
      <button
        type="button"
        :aria-pressed="playback.again"
        :title="playback.again ? 'Round and round' : 'Once'"
        @click="playback.again = !playback.again"
      >
        <Repeat v-if="playback.again" :size="14" aria-hidden="true" />
        {{ playback.again ? 'round and round' : 'once' }}
      </button>
      <button
        v-if="document.project.camera.length > 0"
        type="button"
        :aria-pressed="playback.throughCamera"
        :title="playback.throughCamera ? 'Seen from where the camera is' : 'Seen from where it is turned'"
        @click="playback.throughCamera = !playback.throughCamera"
      >
        <Video :size="14" aria-hidden="true" /> camera
      </button>
    </div>
    <span class="chip"
      >Ends at
      <NumberValue
        :value="playback.clock.length"
        quantity="time"
        label="Length"
        state="free"
        undo="length of the motion"
        :check="
          (n) => (n > 0 && n <= LONGEST_MOTION ? undefined : ['Type a time up to ', { time: LONGEST_MOTION }, '.'])
        "
        :edit="(to) => (project) => void (project.clock = { ...project.clock, length: to })"
    /></span>
    <span class="chip"
      >at
      <NumberValue
        :value="playback.clock.rate"
        quantity="count"
        label="Pictures a second"
        state="free"
        undo="pictures a second"
        :check="
          (n) =>
            Number.isInteger(n) && n >= 1 && n <= MOST_PICTURES
              ? undefined
              : ['Type a whole number from 1 to ', { count: MOST_PICTURES }, '.']
        "
        :edit="(to) => (project) => void (project.clock = { ...project.clock, rate: to })"
      />
      pictures a second</span
    >
    <span v-if="document.project.patterns.length > 0" class="note picture"
      >picture
      <span class="figure">{{ formatNumber(Math.round(playback.moment * playback.clock.rate), 0) }}</span></span
    >
  </div>
</template>

<style scoped>
.told {
  position: absolute;
  top: 10px;
  right: 12px;
  display: flex;
  flex-wrap: wrap;
  justify-content: flex-end;
  gap: 8px;
}
.late {
  color: var(--ochre);
}
.play {
  position: absolute;
  left: 12px;
  bottom: 12px;
  display: flex;
  align-items: center;
  gap: 8px;
}
.group {
  display: inline-flex;
  border: 1px solid var(--rule);
  border-radius: 8px;
  overflow: hidden;
  background: var(--card);
}
button {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  min-height: 28px;
  padding: 0 11px;
  border: 0;
  border-right: 1px solid var(--rule);
  background: none;
  color: var(--soft);
  cursor: pointer;
}
button:last-child {
  border-right: 0;
}
button:hover,
.go {
  color: var(--madder);
}
.go {
  background: var(--madder-wash);
  font-weight: 600;
}
[aria-pressed='true'] {
  color: var(--madder);
}
.picture {
  padding: 3px 8px;
  white-space: nowrap;
}
</style>
