<script setup lang="ts">
import { guiseKey } from '@hilera/core/parts/guise'
import { formatNumber } from '@hilera/core/numbers/format'
import ProgressBar from 'primevue/progressbar'
import { computed } from 'vue'
import { useSwapDialog } from '../links/swapDialog'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import { useView } from '../stores/view'

/** What is told over the stage: overlaps, what is drawn, how long it took, and work that goes on. */
defineProps<{ lamps: { readonly all: number; readonly shining: number } }>()
const document = useDocument()
const swap = useSwapDialog()
const outcomes = useOutcomes()
const selection = useSelection()
const view = useView()
/** What is drawn, an assembly by its parts; the list counts it as one. */
const drawn = computed(() =>
  outcomes.patterns.reduce((n, p) => n + p.batches.reduce((m, b) => m + b.rows.length, 0), 0),
)
/** A light is seen as a sign, which is no mesh of the file. */
const isMesh = ({ part }: { readonly part: number }): boolean => outcomes.worked.parts[part]?.shape.kind !== 'light'
const meshCount = computed(
  () => new Set(outcomes.patterns.flatMap((p) => p.batches.filter(isMesh).map((b) => guiseKey(b)))).size,
)
</script>

<template>
  <div class="chips">
    <span v-if="document.proposal || swap.reach" class="chip">With what is proposed</span>
    <span v-if="outcomes.crowd && outcomes.crowd.id === selection.patternId" class="chip" data-overlaps
      >Overlaps
      <span class="figure" :class="{ wrong: outcomes.crowd.count > 0 }">{{
        formatNumber(outcomes.crowd.count, 0)
      }}</span>
      in {{ selection.pattern?.name }}</span
    >
    <span class="chip"
      >Drawn
      <template v-if="view.share < 1"
        ><span class="figure">{{ formatNumber(view.share * 100, 0) }} %</span> of </template
      ><span class="figure">{{ formatNumber(drawn, 0) }}</span> from <span class="figure">{{ meshCount }}</span>
      {{ meshCount === 1 ? 'mesh' : 'meshes' }}</span
    >
    <span v-if="view.night" class="chip"
      ><span class="figure">{{ lamps.shining }}</span> of <span class="figure">{{ lamps.all }}</span> lights shine</span
    >
    <span class="chip"
      >Worked out in <span class="figure">{{ formatNumber(outcomes.milliseconds, 1) }} ms</span></span
    >
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
