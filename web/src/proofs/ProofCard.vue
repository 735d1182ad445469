<script setup lang="ts">
import { formatLength, formatNumber } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import { computed } from 'vue'
import { useDocument } from '../stores/document'
import type { Proof } from './proofs'

/** One variant on the sheet: its picture, and its figures under it. */
const props = defineProps<{
  proof: Proof
  says: readonly { what: string; value: string }[]
  chosen: boolean
  compared: boolean
}>()
const emit = defineEmits<{ take: []; enlarge: [] }>()
const document = useDocument()
const spoken = computed(() => props.says.map(({ what, value }) => `${what} ${value}`).join(', '))
const nearest = computed(() => {
  const gap = props.proof.figures.nearest
  return Number.isFinite(gap) ? formatLength(gap, document.unit) : 'none near'
})
</script>

<template>
  <li>
    <button
      type="button"
      class="proof"
      :class="{ chosen, compared }"
      :aria-pressed="chosen"
      :aria-label="`${spoken}, ${proof.figures.overlaps} overlaps`"
      @click="emit('take')"
      @dblclick="emit('enlarge')"
    >
      <span class="picture">
        <img v-if="proof.picture" :src="proof.picture" alt="" />
        <span v-if="chosen" class="mark">chosen</span>
      </span>
      <span class="figures">
        <span v-for="{ what, value } in says" :key="what"
          >{{ what }} <b class="figure">{{ value }}</b></span
        >
        <span :class="{ wrong: proof.figures.overlaps > 0 }"
          ><span class="figure">{{ formatNumber(proof.figures.overlaps, 0) }}</span>
          {{ plural(proof.figures.overlaps, 'overlap', 'overlaps') }}</span
        >
        <span
          >nearest <b class="figure">{{ nearest }}</b></span
        >
        <span class="last"
          >spread <b class="figure">{{ formatLength(proof.figures.spread, document.unit) }}</b></span
        >
      </span>
    </button>
    <button type="button" class="aside enlarge" @click="emit('enlarge')">Enlarge</button>
  </li>
</template>

<style scoped>
li {
  position: relative;
}
.proof {
  display: block;
  width: 100%;
  padding: 7px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--card);
  text-align: left;
  cursor: pointer;
}
.proof:hover {
  border-color: var(--edge);
}
.proof.chosen {
  outline: 3px solid var(--madder);
  outline-offset: -1px;
}
.proof.compared {
  outline: 2px dashed var(--madder);
}
.picture {
  position: relative;
  display: block;
  aspect-ratio: 2;
  background: var(--stage);
  border-radius: 4px;
  overflow: hidden;
}
img {
  display: block;
  width: 100%;
  height: 100%;
  object-fit: cover;
}
.mark {
  position: absolute;
  top: 7px;
  right: 7px;
  padding: 2px 8px;
  border-radius: 10px;
  background: var(--madder);
  color: var(--card);
  font-size: 11px;
  font-weight: 600;
}
.figures {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  padding: 6px 3px 0;
  font-size: 12px;
  color: var(--soft);
}
.figures b {
  color: var(--ink);
  font-weight: 600;
}
.last {
  margin-left: auto;
}
.wrong {
  color: var(--vermilion);
}
.enlarge {
  position: absolute;
  left: 14px;
  top: 10px;
  padding: 0 6px;
  border-radius: 5px;
  background: var(--card);
  opacity: 0;
}
li:hover .enlarge,
.enlarge:focus-visible {
  opacity: 1;
}
</style>
