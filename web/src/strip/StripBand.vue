<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { useTemplateRef } from 'vue'
import { type DrawnBand, useBand } from './useBand'

/** One band of a strip: copies to scale on a ruler, figures above them, leftovers in ochre. Tells what is grabbed. */
const props = defineProps<DrawnBand>()
const emit = defineEmits<{
  grab: [event: PointerEvent, what: { readonly kind: 'copy' | 'gap' | 'end'; readonly index: number }, perMetre: number]
  pick: [row: number, event: MouseEvent]
}>()

const box = useTemplateRef<HTMLElement>('box')
const { width, height } = useElementSize(box)
const { closes, scale, x, floor, tall, level, copies, manyBlocks, gaps, ghost, marks, leftovers } = useBand(props, {
  width,
  height,
})
/** Whether a copy is wide enough on the strip to carry its number. */
const numbered = (copy: { readonly width: number }): boolean => copy.width > 16
</script>

<template>
  <div ref="box" class="band">
    <svg v-if="width > 0" :width="width" :height="height" role="img" :aria-label="`${strip.count} copies to scale`">
      <defs>
        <pattern id="hatch" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="2" height="5" fill="var(--vermilion)" />
        </pattern>
      </defs>
      <g v-for="l in leftovers" :key="l.x" class="leftover">
        <rect :x="l.x" :y="floor - tall * 0.55" :width="l.width" :height="tall * 0.55" />
        <text :x="l.x + l.width / 2" :y="11">{{ l.text }}</text>
      </g>
      <g v-if="!compact" class="ruler">
        <path :d="`M8 ${floor}H${width - 8}`" />
        <path :d="marks.map((m) => `M${m.x.toFixed(1)} ${floor}v${m.named ? 5 : 2.5}`).join('')" />
        <template v-for="m in marks" :key="m.at">
          <text v-if="m.named && m.x < width - 24" :x="m.x" :y="floor + 15">{{ m.text }}</text>
        </template>
      </g>
      <path
        v-for="s in corners ?? []"
        :key="`c${s}`"
        :d="`M${x(s) - 5} ${floor - tall - 6}l5 5l5 -5M${x(s)} ${floor - tall}V${floor}`"
        class="corner"
      />
      <path v-for="s in breaks ?? []" :key="`b${s}`" :d="`M${x(s)} ${floor - tall - 4}V${floor + 8}`" class="break" />
      <path v-if="manyBlocks" :d="manyBlocks" class="blocks" />
      <g
        v-for="copy in copies"
        :key="copy.row"
        class="copy"
        :class="{ picked: picked?.has(copy.row) }"
        :data-copy="copy.index + 1"
        @pointerdown="emit('grab', $event, { kind: 'copy', index: copy.index }, scale.perMetre)"
        @click="emit('pick', copy.row, $event)"
      >
        <path v-for="(face, k) in copy.faces" :key="k" :d="face.d" :fill="face.fill" />
        <rect
          v-if="picked?.has(copy.row)"
          :x="copy.left - 1.5"
          :y="floor - tall - 1"
          :width="copy.width + 3"
          :height="tall + 1"
          class="frame"
        />
        <template v-if="numbered(copy)">
          <rect :x="copy.left + copy.width / 2 - 10" :y="copy.middle - 8" width="20" height="15" rx="3" class="plate" />
          <text :x="copy.left + copy.width / 2" :y="copy.middle + 3.5">{{ copy.index + 1 }}</text>
        </template>
      </g>
      <g
        v-for="gap in gaps"
        :key="gap.i"
        class="gap"
        :class="{ overlap: gap.overlap, close: gap.close }"
        :data-gap="gap.i + 1"
        @pointerdown="emit('grab', $event, { kind: 'gap', index: gap.i }, scale.perMetre)"
      >
        <rect
          v-if="gap.overlap"
          :x="gap.low"
          :y="floor - tall"
          :width="Math.max(gap.high - gap.low, 2)"
          :height="tall"
          fill="url(#hatch)"
        />
        <path v-if="!compact" :d="`M${gap.a} 15v5M${gap.b} 15v5M${gap.a} 17.5H${gap.b}`" />
        <rect :x="gap.at - 18" :y="level - 13" width="36" height="24" class="reach" />
        <text :x="gap.at" :y="level">
          {{ gap.text }}
          <title v-if="gap.close">Closer than the clearance of the part</title>
        </text>
      </g>
      <g v-if="ghost" class="gap">
        <path :d="`M${ghost.low} ${floor}V${floor - tall * 0.8}H${ghost.high}V${floor}`" class="ghost" />
        <path :d="`M${ghost.a} 15v5M${ghost.b} 15v5M${ghost.a} 17.5H${ghost.b}`" />
        <text :x="(ghost.a + ghost.b) / 2" :y="level">{{ ghost.text }}</text>
        <text :x="(ghost.low + ghost.high) / 2" :y="floor - tall / 2 + 4" class="again">1</text>
      </g>
      <g
        v-if="!closes && !still"
        class="end"
        data-end
        @pointerdown="emit('grab', $event, { kind: 'end', index: 0 }, scale.perMetre)"
      >
        <path :d="`M${x(room.high)} ${floor - tall}V${floor + 6}`" />
        <rect :x="x(room.high) - 8" :y="floor - tall" width="16" :height="tall + 8" class="reach" />
      </g>
    </svg>
  </div>
</template>

<style scoped>
.band {
  position: relative;
  flex: 1;
  min-height: 0;
  overflow: hidden;
}
svg {
  position: absolute;
}
text {
  font: 500 11px var(--mono);
  text-anchor: middle;
  user-select: none;
}
.ruler path {
  stroke: var(--edge);
  fill: none;
}
.ruler text {
  fill: var(--soft);
}
.leftover rect {
  fill: var(--ochre-wash);
  stroke: var(--ochre);
  stroke-opacity: 0.4;
  stroke-width: 0.7;
}
.leftover text {
  fill: var(--ochre);
}
.copy {
  cursor: ew-resize;
}
.copy path {
  stroke: var(--ink);
  stroke-opacity: 0.28;
  stroke-width: 0.7;
}
.copy .plate {
  fill: var(--card);
  fill-opacity: 0.86;
}
.copy text {
  fill: var(--ink);
  font-weight: 600;
}
.frame {
  fill: none;
  stroke: var(--madder);
  stroke-width: 1.6;
}
.blocks {
  fill: var(--soft);
  fill-opacity: 0.75;
}
.gap {
  cursor: ew-resize;
}
.gap path {
  stroke: var(--madder);
  fill: none;
}
.gap text {
  fill: var(--madder);
}
.corner {
  fill: none;
  stroke: var(--ink);
  stroke-opacity: 0.6;
}
.break {
  fill: none;
  stroke: var(--ochre);
  stroke-width: 1.5;
}
.gap .ghost {
  stroke: var(--edge);
  stroke-dasharray: 3 3;
}
.gap .again {
  fill: var(--soft);
}
.gap.close path {
  stroke: var(--ochre);
}
.gap.close text {
  fill: var(--ochre);
  text-decoration: underline;
}
.gap.overlap path {
  stroke: var(--vermilion);
}
.gap.overlap text {
  fill: var(--vermilion);
}
.reach {
  fill: transparent;
}
.end {
  cursor: ew-resize;
}
.end path {
  stroke: var(--madder);
  stroke-width: 1.6;
}
</style>
