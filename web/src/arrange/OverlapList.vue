<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import { formatLength, formatNumber } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import { computed } from 'vue'
import { stepDefinitionOf } from '@hilera/core/steps/index'
import { findings } from '@hilera/core/findings/registry'
import { useStepEdits } from '../steps/stepEdits'
import { edgesChoice } from '@hilera/core/clearing/edgesSentence'
import { bind } from '@hilera/core/sentences/bind'
import { usePatternSentence } from '../patterns/patternSentence'
import { useSurroundings } from '../sentences/around'
import SentenceItems from '../sentences/SentenceItems.vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { MOST_OVERLAPS } from '@hilera/core/clearing/overlaps'
import { useOverlaps } from '../stores/overlaps'
import { useSelection } from '../stores/selection'

/** Which copies of the pattern overlap, the deepest first; a click picks both. */
const props = defineProps<{ pattern: Pattern }>()
const document = useDocument()
const outcomes = useOutcomes()
const selection = useSelection()
const edits = useStepEdits()
/** What is offered against overlaps, while no step clears them yet. */
const offer = computed(() => {
  const fix = findings.overlaps.fixes.find((f) => f.by === 'step')
  const cleared = props.pattern.steps.some((s) => stepDefinitionOf(s).phase === 'clear')
  return cleared || fix?.by !== 'step' ? undefined : fix
})
const around = useSurroundings(
  () => props.pattern,
  () => undefined,
)
const edgeEdits = usePatternSentence(
  () => props.pattern,
  () => true,
)
const edges = computed(() => bind([edgesChoice], { root: props.pattern, into: (p: Pattern) => p }, around.value))
const SHOWN = 6
const overlaps = useOverlaps()
const crowd = computed(() => {
  const update = outcomes.byId.get(props.pattern.id)
  return update && overlaps.of(update)
})
function pick(first: number, second: number): void {
  const table = outcomes.byId.get(props.pattern.id)?.table
  if (!table) return
  const keys = [first, second].map((row) => table.keyOf(row))
  selection.pickCopies(new Map([[props.pattern.id, new Set(keys)]]))
}
</script>

<template>
  <section v-if="crowd && crowd.count > 0" class="overlaps" aria-label="Overlaps">
    <p>
      <span class="wrong"
        ><template v-if="crowd.count >= MOST_OVERLAPS">More than </template
        ><span class="figure">{{ formatNumber(crowd.count, 0) }}</span>
        {{ plural(crowd.count, 'overlap', 'overlaps') }}</span
      >
      <button v-if="offer" type="button" class="aside" @click="edits.add(pattern, offer.step)">
        {{ offer.words }}
      </button>
    </p>
    <p class="note"><SentenceItems :items="edges" :edits="edgeEdits" /></p>
    <ul>
      <li v-for="o in crowd.overlaps.slice(0, SHOWN)" :key="`${o.first} ${o.second}`">
        <button type="button" class="aside" @click="pick(o.first, o.second)">
          <span class="figure">{{ o.first + 1 }}</span> and <span class="figure">{{ o.second + 1 }}</span>
        </button>
        <span class="figure">{{ formatLength(o.depth, document.unit) }}</span>
      </li>
    </ul>
    <p v-if="crowd.count > SHOWN" class="note">
      and <span class="figure">{{ formatNumber(crowd.count - SHOWN, 0) }}</span> more, less deep
    </p>
  </section>
</template>

<style scoped>
.overlaps {
  border-top: 1px solid var(--rule);
  padding: 8px 0 4px 26px;
  font-size: 12px;
}
p {
  display: flex;
  justify-content: space-between;
  margin: 0 0 2px;
}
.wrong {
  color: var(--vermilion);
  font-weight: 600;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  justify-content: space-between;
}
</style>
