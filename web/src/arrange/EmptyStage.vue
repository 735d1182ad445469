<script setup lang="ts">
import { usePatternEdits } from '../patterns/patternEdits'

/** What an empty project shows on its stage: how to begin. */
const edits = usePatternEdits()
</script>

<template>
  <div class="empty">
    <h2>Begin with a row</h2>
    <button type="button" @click="edits.addLine()">
      <svg width="120" height="40" viewBox="0 0 120 40" aria-hidden="true">
        <line x1="6" y1="32" x2="114" y2="32" stroke="var(--edge)" />
        <rect
          v-for="i in 5"
          :key="i"
          :x="i * 22 - 12"
          y="14"
          width="14"
          height="18"
          rx="2"
          fill="var(--madder)"
          fill-opacity="0.75"
        />
        <path d="M10 8v6M24 8v6M10 11h14" stroke="var(--ink)" fill="none" transform="translate(9)" />
      </svg>
      <span><b>Line</b>copies side by side at an exact pitch or gap</span>
    </button>
    <p class="note">or drop a GLB, OBJ, STL or PLY here</p>
  </div>
</template>

<style scoped>
.empty {
  position: absolute;
  inset: 0;
  display: grid;
  place-content: center;
  justify-items: center;
  gap: 12px;
  pointer-events: none;
}
button {
  pointer-events: auto;
  display: flex;
  gap: 14px;
  align-items: center;
  padding: 10px 16px;
  border: 1px solid var(--edge);
  border-radius: 8px;
  background: var(--card);
  text-align: left;
  cursor: pointer;
}
button:hover {
  border-color: var(--madder);
}
b {
  display: block;
}
</style>
