<script setup lang="ts">
import { greatest, least } from '@hilera/core/geometry/extremes'
import type { Beside } from '@hilera/core/evaluation/across'
import type { Pattern } from '@hilera/core/model/pattern'
import { formatLength, formatLengthBare } from '@hilera/core/numbers/format'
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { useDocument } from '../../stores/document'
import { useOutcomes } from '../../stores/outcomes'
import { useSelection } from '../../stores/selection'
import type { PatternUpdate } from '../../worker/messages'
import StripHead from '../../strip/StripHead.vue'

/** What is mirrored, the plane and the images, seen along the plane and to scale, with how far away both begin. */
const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate }>()
const document = useDocument()
const outcomes = useOutcomes()
const selection = useSelection()
const sheet = useTemplateRef<HTMLElement>('sheet')
const { width, height } = useElementSize(sheet)
const [MARGIN, FIGURES] = [16, 18]

const across = computed(() => (outcomes.strip?.id === props.pattern.id ? outcomes.strip.across : undefined))
/** Metres to pixels, as large as there is room for all of it; the plane in the middle of what stands about it. */
const scale = computed(() => {
  const all = [...(across.value?.originals ?? []), ...(across.value?.images ?? [])]
  const [left, right] = [Math.min(0, least(all.map((c) => c.low))), Math.max(0, greatest(all.map((c) => c.high)))]
  const [base, top] = [least(all.map((c) => c.base)), greatest(all.map((c) => c.top))]
  const room = Math.max(height.value - 2 * FIGURES, 10)
  const by = Math.min((width.value - 2 * MARGIN) / Math.max(right - left, 1e-3), room / Math.max(top - base, 1e-3))
  const start = (width.value - (right - left) * by) / 2
  return {
    x: (at: number): number => start + (at - left) * by,
    y: (h: number): number => FIGURES + room - (h - base) * by,
    by,
  }
})
/** What this pattern moves across stands no more where it was. */
const isGone = computed(() => props.pattern.layout.kind === 'mirror' && props.pattern.layout.keep === 'across')
function drawn(copy: Beside, index: number) {
  const { x, y } = scale.value
  const table = outcomes.byId.get(copy.pattern)?.table
  const key = table?.keyOf(copy.row) ?? String(copy.row)
  return {
    id: `${copy.pattern} ${index}`,
    pattern: copy.pattern,
    row: copy.row,
    isImage: copy.pattern === props.pattern.id,
    key,
    isPicked: selection.picks.get(copy.pattern)?.has(key) ?? false,
    box: {
      x: x(copy.low),
      y: y(copy.top),
      width: Math.max(x(copy.high) - x(copy.low), 1),
      height: Math.max(y(copy.base) - y(copy.top), 1),
    },
    color: outcomes.worked.parts[copy.thing]?.look.color ?? 'var(--edge)',
  }
}
const originals = computed(() => across.value?.originals.map(drawn) ?? [])
const images = computed(() => across.value?.images.map(drawn) ?? [])

/** The way from the plane to what begins nearest on either side, where there is room for its figure. */
const ways = computed(() => {
  const { x } = scale.value
  const { before, behind, side = 1 } = across.value ?? {}
  return [
    { key: 'before', way: before, side },
    { key: 'behind', way: behind, side: -side },
  ].flatMap(({ key, way, side }) => {
    if (way === undefined) return []
    const to = x(side * way)
    const text = formatLengthBare(way, document.unit)
    const fits = Math.abs(to - x(0)) > 7 * text.length + 8
    return [
      {
        key,
        text,
        a: x(0),
        b: to,
        at: fits ? (x(0) + to) / 2 : x(0) + side * (3.5 * text.length + 8),
        isThrough: way < 0,
      },
    ]
  })
})
const told = computed(() => {
  const { before, behind } = across.value ?? {}
  if (before === undefined || behind === undefined) return undefined
  return before + behind
})
</script>

<template>
  <StripHead>
    <span class="note"
      >seen along the plane, to scale<template v-if="told !== undefined">
        · <span class="figure">{{ formatLength(told, document.unit) }}</span> between what is mirrored and its
        images</template
      ></span
    >
  </StripHead>
  <p v-if="outcomes.strip?.id === pattern.id && !across" class="note">
    Nothing stands about this plane, or more than can be drawn one by one.
  </p>
  <div ref="sheet" class="sheet">
    <svg
      v-if="width > 0 && across"
      :width="width"
      :height="height"
      role="img"
      :aria-label="`${originals.length} copies and ${images.length} images about their plane`"
    >
      <g
        v-for="copy in [...originals, ...images]"
        :key="copy.id"
        class="copy"
        :class="{ picked: copy.isPicked, image: copy.isImage, gone: isGone && !copy.isImage }"
        :data-original="copy.isImage ? undefined : copy.row + 1"
        :data-image="copy.isImage ? copy.row + 1 : undefined"
        @click="selection.clickCopy(copy.pattern, copy.key, $event)"
      >
        <rect v-bind="copy.box" :fill="copy.color" />
      </g>
      <path class="plane" :d="`M${scale.x(0)} 4V${height - 4}`" data-plane />
      <g v-for="way in ways" :key="way.key" class="way" :class="{ through: way.isThrough }" :data-way="way.key">
        <path :d="`M${way.a} 9v6M${way.b} 9v6M${way.a} 12H${way.b}`" />
        <text :x="way.at" :y="height - 5">{{ way.text }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.sheet {
  flex: 1;
  min-height: 0;
  overflow: hidden;
}
.copy {
  cursor: pointer;
}
.copy rect {
  stroke: var(--ink);
  stroke-width: 0.8;
}
.image rect {
  fill-opacity: 0.55;
}
.gone rect {
  fill-opacity: 0.12;
  stroke-dasharray: 3 3;
}
.picked rect {
  stroke: var(--madder);
  stroke-width: 2;
}
.plane {
  stroke: var(--madder);
  stroke-dasharray: 10 4 2 4;
}
.way path {
  stroke: var(--ink);
  fill: none;
}
.way text {
  font: 500 11px var(--mono);
  text-anchor: middle;
  fill: var(--ink);
}
.through path {
  stroke: var(--vermilion);
}
.through text {
  fill: var(--vermilion);
}
</style>
