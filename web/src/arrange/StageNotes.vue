<script setup lang="ts">
import * as THREE from 'three'
import { computed } from 'vue'
import type { Viewer } from '../stage/viewer'
import { usePicking } from '../stores/picking'
import type { Hovered } from './hovered'
import type { ScreenPlace } from './outlines'

/** What is written over the picture for a while: what a drag comes to, what is under the pointer, what is being drawn or asked for. */
const props = defineProps<{
  note: Hovered | undefined
  hovered: Hovered | undefined
  outline: readonly ScreenPlace[] | undefined
  viewer: Viewer | undefined
  /** Counted up with every frame. */
  frames: number
}>()
const picking = usePicking()
const chip = computed(() => props.note ?? props.hovered)
/** What has been drawn so far, on the screen. */
const drawn = computed(() => {
  const at = props.frames >= 0 ? props.viewer : undefined
  return at && picking.asking ? picking.asking.before.map((p) => at.toScreen(new THREE.Vector3(...p))) : []
})
</script>

<template>
  <p
    v-if="chip"
    class="chip note-chip"
    :role="note ? 'status' : undefined"
    :style="{ left: `${chip.x}px`, top: `${chip.y}px` }"
  >
    {{ chip.words }}
  </p>
  <svg v-if="drawn.length" class="drawing" aria-hidden="true">
    <polyline :points="drawn.map((p) => `${p.x},${p.y}`).join(' ')" />
    <circle v-for="(p, i) in drawn" :key="i" :cx="p.x" :cy="p.y" r="4" />
  </svg>
  <svg v-if="outline" class="drawing" aria-hidden="true">
    <polygon class="lasso" :points="outline.map((p) => `${p.x},${p.y}`).join(' ')" />
  </svg>
  <p v-if="picking.asking" class="asking chip" role="status">{{ picking.asking.words() }} · Esc: give up</p>
  <p v-else-if="picking.drawing" class="asking chip" role="status">{{ picking.drawing.words }} · Esc: give up</p>
</template>

<style scoped>
.lasso {
  fill: var(--madder);
  fill-opacity: 0.1;
  stroke: var(--madder);
  stroke-width: 1.5;
  stroke-dasharray: 5 3;
}
.note-chip {
  position: absolute;
  margin: 0;
  transform: translate(-50%, -140%);
  white-space: nowrap;
  box-shadow: var(--float);
  color: var(--ink);
  pointer-events: none;
}
.drawing {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
.drawing polyline {
  fill: none;
  stroke: var(--madder);
  stroke-width: 1.5;
}
.drawing circle {
  fill: var(--madder);
}
.asking {
  position: absolute;
  top: 48px;
  left: 50%;
  margin: 0;
  transform: translateX(-50%);
  color: var(--madder);
  background: var(--madder-wash);
}
</style>
