<script setup lang="ts">
import type { LayoutKind } from '@hilera/core/layouts/index'
import { layoutKinds, layoutWords, leans } from '../patterns/layoutWords'
import { usePatternEdits } from '../patterns/patternEdits'

/** What an empty project shows on its stage: the layouts as small drawings, and how else to begin. */
const edits = usePatternEdits()

/** Places of dots in a drawing of 72 by 40. */
const drawings: Record<LayoutKind, readonly (readonly [number, number])[]> = {
  line: [0, 1, 2, 3, 4].map((i) => [12 + 12 * i, 24]),
  grid: [0, 1, 2].flatMap((j) => [0, 1, 2, 3, 4].map((i) => [12 + 12 * i, 8 + 12 * j] as const)),
  ring: Array.from({ length: 10 }, (_, i) => [
    36 + 26 * Math.cos((i * Math.PI) / 5),
    20 + 14 * Math.sin((i * Math.PI) / 5),
  ]),
  path: Array.from({ length: 8 }, (_, i) => [8 + 8 * i, 20 + 11 * Math.sin(i * 0.85)]),
  fill: [
    [14, 12],
    [27, 8],
    [42, 14],
    [58, 9],
    [20, 24],
    [34, 28],
    [50, 25],
    [61, 31],
    [12, 33],
    [45, 35],
  ],
  spots: [
    [10, 28],
    [24, 12],
    [33, 31],
    [46, 20],
    [62, 10],
  ],
  mirror: [
    [12, 10],
    [24, 22],
    [16, 33],
    [60, 10],
    [48, 22],
    [56, 33],
  ],
  companion: [16, 36, 56].flatMap(
    (x) =>
      [
        [x, 24],
        [x, 11],
      ] as const,
  ),
}
</script>

<template>
  <div class="empty">
    <h2>Begin with a layout</h2>
    <div class="cards">
      <button
        v-for="kind in layoutKinds"
        :key="kind"
        type="button"
        :disabled="leans(kind)"
        :title="
          leans(kind) ? `A ${layoutWords[kind].words.toLowerCase()} needs another pattern: add that first` : undefined
        "
        @click="edits.add(kind)"
      >
        <svg width="72" height="40" viewBox="0 0 72 40" aria-hidden="true">
          <path v-if="kind === 'mirror'" d="M36 3V37" stroke="var(--madder)" stroke-dasharray="3 3" />
          <circle
            v-for="([x, y], i) in drawings[kind]"
            :key="i"
            :cx="x"
            :cy="y"
            :r="kind === 'companion' && i % 2 ? 2.4 : 4"
            :fill="kind === 'companion' && i % 2 ? 'var(--ochre)' : 'var(--madder)'"
            fill-opacity="0.8"
          />
        </svg>
        <span
          ><b>{{ layoutWords[kind].words }}</b
          >{{ layoutWords[kind].note }}</span
        >
      </button>
    </div>
    <p class="note">or drop a GLB, OBJ, STL, PLY or SVG here</p>
  </div>
</template>

<style scoped>
.empty {
  position: absolute;
  inset: 0;
  display: grid;
  place-content: center;
  justify-items: center;
  gap: 14px;
  pointer-events: none;
}
.cards {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 270px));
  gap: 8px;
}
button {
  pointer-events: auto;
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 8px 14px;
  border: 1px solid var(--edge);
  border-radius: 8px;
  background: var(--card);
  text-align: left;
  font-size: 12px;
  color: var(--soft);
  cursor: pointer;
}
button:hover:not(:disabled) {
  border-color: var(--madder);
}
button:disabled {
  cursor: default;
  opacity: 0.65;
}
svg {
  flex: none;
}
b {
  display: block;
  font-size: 13px;
  color: var(--ink);
}
</style>
