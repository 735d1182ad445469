<script setup lang="ts">
import { lackOf, layoutKinds, viewOf, wordsOf } from '../layouts'
import SmallDrawing from '../drawing/SmallDrawing.vue'
import { usePatternEdits } from '../patterns/patternEdits'
import { useDocument } from '../stores/document'

/** What an empty project shows on its stage: the layouts as small drawings, and how else to begin. */
const edits = usePatternEdits()
const document = useDocument()
</script>

<template>
  <div class="empty">
    <h2>Begin with a layout</h2>
    <div class="cards">
      <button
        v-for="kind in layoutKinds"
        :key="kind"
        type="button"
        :disabled="lackOf(kind, document.project) !== undefined"
        :title="lackOf(kind, document.project)"
        @click="edits.add(kind)"
      >
        <SmallDrawing :drawing="viewOf(kind).drawing" />
        <span
          ><b>{{ wordsOf(kind).words }}</b
          >{{ wordsOf(kind).note }}</span
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
b {
  display: block;
  font-size: 13px;
  color: var(--ink);
}
</style>
