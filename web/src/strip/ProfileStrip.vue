<script setup lang="ts">
import { greatest, least } from '@hilera/core/geometry/extremes'
import type { Profile } from '@hilera/core/evaluation/profile'
import type { Pattern } from '@hilera/core/model/pattern'
import { formatLength } from '@hilera/core/numbers/format'
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import StripHead from './StripHead.vue'

/** The ground under copies that settle, in profile and to scale, each with how high it stands. */
const props = defineProps<{ profile: Profile; pattern: Pattern }>()
const document = useDocument()
const outcomes = useOutcomes()
const selection = useSelection()
const sheet = useTemplateRef<HTMLElement>('sheet')
const { width, height } = useElementSize(sheet)
const [MARGIN, FIGURES] = [26, 16]

/** Metres to pixels, as large as there is room for all of it. */
const scale = computed(() => {
  const { copies, along, heights } = props.profile
  const known = Array.from(heights).filter((h) => !Number.isNaN(h))
  const low = least([...known, ...copies.map((c) => c.low)])
  const high = greatest([...known, ...copies.map((c) => c.high)])
  const length = Math.max(along[along.length - 1] ?? 0, 1e-3)
  const room = Math.max(height.value - FIGURES - 8, 10)
  const by = Math.min((width.value - 2 * MARGIN) / length, room / Math.max(high - low, 1e-3))
  const left = (width.value - length * by) / 2
  return {
    x: (at: number): number => left + at * by,
    y: (h: number): number => room + 4 - (h - low) * by,
    by,
    floor: room + 6,
  }
})
/** The ground's pieces: where there is none it ends. */
const grounds = computed(() => {
  const { along, heights } = props.profile
  const { x, y, floor } = scale.value
  const pieces: string[][] = [[]]
  for (const [i, h] of heights.entries())
    if (Number.isNaN(h)) pieces.push([])
    else pieces.at(-1)!.push(`${x(along[i])},${y(h)}`)
  return pieces
    .filter((points) => points.length > 1)
    .map((points) => {
      const [first, last] = [points[0].split(',')[0], points.at(-1)!.split(',')[0]]
      return { top: points.join(' '), area: `${first},${floor} ${points.join(' ')} ${last},${floor}` }
    })
})
const copies = computed(() => {
  const { x, y, by } = scale.value
  const table = selection.outcome?.table
  let free = -Infinity
  return props.profile.copies.map((copy) => {
    const at = x(copy.at)
    const words = copy.ground === undefined ? '–' : formatLength(copy.ground, document.unit).replace(/\s[a-z]+$/, '')
    // Figures that would lie over each other are left out; the copy still says its own.
    const isShown = at - free > 7 * words.length + 6
    if (isShown) free = at
    const thing = table?.thing[copy.row]
    const half = Math.max((copy.width * by) / 2, 1)
    return {
      ...copy,
      key: table?.keyOf(copy.row) ?? String(copy.row),
      at,
      box: { x: at - half, y: y(copy.high), width: 2 * half, height: Math.max(y(copy.low) - y(copy.high), 1) },
      color: (thing === undefined ? undefined : outcomes.worked.parts[thing]?.look.color) ?? 'var(--edge)',
      words: isShown ? words : '',
      says: `Copy ${copy.row + 1} ${copy.ground === undefined ? 'has no ground under it' : `on ${formatLength(copy.ground, document.unit)}`}`,
    }
  })
})
const picked = computed(() => selection.picks.get(props.pattern.id))
</script>

<template>
  <StripHead :working="[`the ground under them in profile, in their order; heights in ${document.unit}`]">
    <slot />
  </StripHead>
  <div ref="sheet" class="sheet">
    <svg v-if="width > 0" :viewBox="`0 0 ${width} ${height}`" role="img" aria-label="Ground in profile">
      <g v-for="(ground, i) in grounds" :key="i">
        <polygon :points="ground.area" class="area" />
        <polyline :points="ground.top" class="top" data-ground />
      </g>
      <g
        v-for="copy in copies"
        :key="copy.key"
        :class="{ picked: picked?.has(copy.key) }"
        :data-profile="copy.row + 1"
        @click="selection.clickCopy(pattern.id, copy.key, $event)"
      >
        <title>{{ copy.says }}</title>
        <rect v-bind="copy.box" :fill="copy.color" class="copy" />
        <text :x="copy.at" :y="height - 2" class="figure">{{ copy.words }}</text>
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
svg {
  display: block;
  width: 100%;
  height: 100%;
}
.area {
  fill: #e6dece;
  opacity: 0.8;
}
.top {
  fill: none;
  stroke: var(--edge);
}
.copy {
  stroke: var(--ink);
  stroke-width: 0.6;
  cursor: pointer;
}
.picked .copy {
  stroke: var(--madder);
  stroke-width: 2;
}
text {
  fill: var(--verdigris);
  font-size: 10px;
  text-anchor: middle;
}
</style>
