<script setup lang="ts">
import { formatNumber } from '@hilera/core/numbers/format'
import ProgressBar from 'primevue/progressbar'
import { computed } from 'vue'
import { useSwapDialog } from '../links/swapDialog'
import { useDocument } from '../stores/document'
import { useFindings } from '../stores/findings'
import { useOutcomes } from '../stores/outcomes'
import { useOverlaps } from '../stores/overlaps'
import { useView } from '../stores/view'
import ReadoutChip from './ReadoutChip.vue'

/** What is told over the stage: overlaps, what is drawn, and work that goes on. */
defineProps<{
  lamps: { readonly all: number; readonly shining: number }
  /** A change took the picked pattern out of the picture. */
  out: boolean
}>()
const document = useDocument()
const swap = useSwapDialog()
const outcomes = useOutcomes()
const overlaps = useOverlaps()
const found = useFindings()
const view = useView()
const looking = computed(() => overlaps.looking || found.looking)
/** Within patterns, and between them once these have been looked at as they stand. */
const count = computed(() => {
  const between = found.looking ? [] : (found.findings ?? []).filter(({ what }) => what === 'between')
  return overlaps.count + between.reduce((n, finding) => n + finding.count, 0)
})
</script>

<template>
  <div class="chips">
    <span v-if="document.proposal || swap.reach" class="chip">With what is proposed</span>
    <span v-if="outcomes.patterns.length > 0" class="chip" data-overlaps
      >Overlaps
      <span v-if="looking && count === 0">looking…</span>
      <template v-else
        ><template v-if="looking">at least </template
        ><span class="figure" :class="{ wrong: count > 0 }">{{ formatNumber(count, 0) }}</span></template
      ></span
    >
    <span v-if="view.night" class="chip"
      ><span class="figure">{{ lamps.shining }}</span> of <span class="figure">{{ lamps.all }}</span> lights shine</span
    >
    <ReadoutChip v-if="view.shown" />
    <button v-if="out" type="button" class="chip out" @click="view.frame('selection')">
      Out of the picture: <kbd>W</kbd>
    </button>
  </div>
  <div v-if="outcomes.working" class="working chip" role="status">
    Working it out…
    <ProgressBar mode="indeterminate" aria-label="Working it out" style="width: 90px" />
    <button type="button" @click="outcomes.stop()">Stop</button>
  </div>
</template>

<style scoped>
.chips {
  position: absolute;
  top: 12px;
  right: 12px;
  display: flex;
  gap: 6px;
  pointer-events: none;
}
.out {
  pointer-events: auto;
  cursor: pointer;
  color: var(--ochre);
  background: var(--ochre-wash);
}
.wrong {
  color: var(--vermilion);
}
.working {
  position: absolute;
  /* Under the others, which reach over to it on a narrow stage. */
  top: 48px;
  left: 12px;
}
.working button {
  border: 0;
  background: none;
  color: var(--madder);
  font-weight: 600;
  cursor: pointer;
}
</style>
