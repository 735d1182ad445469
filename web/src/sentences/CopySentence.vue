<script setup lang="ts">
import { formatAngle, formatLength } from '@hilera/core/numbers/format'
import type { Pattern, TouchUp } from '@hilera/core/model/pattern'
import { touchUpSentence } from '@hilera/core/model/touchUpSentence'
import { bind } from '@hilera/core/sentences/bind'
import { knowledge } from '@hilera/core/sentences/knowledge'
import { stepDefinitionOf } from '@hilera/core/steps/index'
import { boxOf } from '@hilera/core/spacing/support'
import { compose, fromTurns, rotate, toTurns } from '@hilera/core/geometry/rotation'
import { X } from '@lucide/vue'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useCommands } from '../commands/commands'
import WhyThere from '../ledger/WhyThere.vue'
import { useCopyEdits } from '../patterns/copyEdits'
import { usePartUses } from '../parts/partUses'
import { copiesStay } from '../parts/pivotEdits'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import type { PatternUpdate } from '../worker/messages'
import SentenceItems from './SentenceItems.vue'

/** The picked copy: what was changed on it by hand, and where it stands in figures. */
const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate | undefined }>()
const document = useDocument()
const selection = useSelection()
const outcomes = useOutcomes()
const edits = useCopyEdits()
const partUses = usePartUses()
const commands = useCommands()

const items = computed(() =>
  bind(
    touchUpSentence,
    { root: edits.touchUp.value, into: (t: TouchUp) => t },
    {
      knows: knowledge,
      project: document.project,
      unit: document.unit,
      table: props.outcome?.table,
      slot: selection.slot,
    },
  ),
)
const touched = computed(() => Object.keys(edits.touchUp.value).length > 0)

const partNow = computed(() => {
  const index = edits.row.value === undefined ? undefined : props.outcome?.table.thing[edits.row.value]
  return index === undefined ? undefined : outcomes.worked.parts[index]
})
const uses = computed(() => (partNow.value ? partUses.copiesOf(partNow.value.id) : 0))
/** Whether it is asked why it stands there. */
const isAsked = ref(false)
/** How wide, high and deep it is along its own axes, its part's size times its own. */
const measures = computed(() => {
  const row = edits.row.value
  const table = props.outcome?.table
  if (row === undefined || !table) return undefined
  const { low, high } = boxOf(outcomes.supportOf(table.thing[row]))
  return table.sizeOf(row).map((n, i) => n * (high[i] - low[i]))
})

/** Whether anything would move it out of the way. */
const settles = computed(() => props.pattern.steps.some((s) => stepDefinitionOf(s).phase === 'settle'))
const clears = computed(() => props.pattern.steps.some((s) => stepDefinitionOf(s).phase === 'clear'))

/** Place and turn in the world, in figures. */
const stands = computed(() => {
  const row = edits.row.value
  const table = props.outcome?.table
  if (row === undefined || !table) return undefined
  const turned = fromTurns(props.pattern.place.turn)
  const at = rotate(turned, table.moveOf(row))
  const q = table.quaternion.subarray(4 * row, 4 * row + 4)
  const [x, y, z] = toTurns(compose(turned, [q[0], q[1], q[2], q[3]]))
  return {
    at: at.map((n, i) => formatLength(n + props.pattern.place.move[i], document.unit)),
    turns: [x, y, z].map(formatAngle),
  }
})
</script>

<template>
  <section class="copy" :aria-label="`Copy ${(edits.row.value ?? 0) + 1}`">
    <header>
      <h3>
        Copy <span class="figure">{{ edits.row.value === undefined ? '–' : edits.row.value + 1 }}</span>
        <small v-if="partNow">{{ partNow.name }}</small>
      </h3>
      <button
        type="button"
        class="tool"
        aria-label="Let go of the copy"
        title="Let go of the copy (click beside it)"
        @click="selection.pickPattern(pattern.id)"
      >
        <X :size="15" />
      </button>
    </header>
    <p v-if="edits.row.value === undefined" class="note">
      Its place is not there now; what was changed by hand waits for it.
    </p>
    <p class="sentence"><SentenceItems :items="items" :edits="edits.sentence" /></p>
    <p v-if="stands" class="note stands">
      Stands at <span class="figure">{{ stands.at.join(', ') }}</span>, turned
      <span class="figure">{{ stands.turns.join(', ') }}</span><template v-if="measures"
        >, measures
        <span class="figure">{{ measures.map((n) => formatLength(n, document.unit)).join(' × ') }}</span></template
      ><template v-if="partNow"
        >;
        <template v-if="uses > 1"
          >linked, one of <span class="figure">{{ uses }}</span></template
        ><template v-else>the only copy of its part</template></template
      >.
      <button type="button" class="aside" :aria-expanded="isAsked" @click="isAsked = !isAsked">
        {{ isAsked ? 'Hide why' : 'Why it stands there' }}
      </button>
    </p>
    <WhyThere v-if="isAsked" class="asked" />
    <div class="row">
      <Button
        :label="edits.touchUp.value.empty ? 'Fill the place' : 'Leave the place empty'"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="edits.setEmpty(!edits.touchUp.value.empty)"
      />
      <Button
        v-if="clears || edits.touchUp.value.held"
        :label="edits.touchUp.value.held ? 'Let it be cleared' : 'Hold it while clearing'"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="edits.setHeld(!edits.touchUp.value.held)"
      />
      <Button
        v-if="settles || edits.touchUp.value.unsettled"
        :label="edits.touchUp.value.unsettled ? 'Let it settle' : 'Do not settle it'"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="edits.setUnsettled(!edits.touchUp.value.unsettled)"
      />
      <Button
        label="Take the touch-up off"
        severity="secondary"
        variant="text"
        size="small"
        :disabled="!touched"
        @click="edits.reset()"
      />
      <Button
        v-if="partNow"
        label="Edit its part"
        severity="secondary"
        variant="text"
        size="small"
        :title="`Changes all ${partUses.copiesOf(partNow.id)} copies`"
        @click="selection.pickPart(partNow.id)"
      />
      <Button
        v-if="partNow"
        label="Move its pivot"
        severity="secondary"
        variant="text"
        size="small"
        :title="
          copiesStay
            ? 'To a place that is clicked; its copies stay where they are'
            : 'To a place that is clicked; its copies follow'
        "
        @click="commands.run('pivot-on-stage')"
      />
    </div>
  </section>
</template>

<style scoped>
.copy {
  margin: 0 -6px 14px;
  padding: 8px 10px 10px;
  border: 1px solid var(--madder);
  border-radius: 8px;
  background: color-mix(in srgb, var(--madder-wash) 35%, var(--card));
}
header {
  display: flex;
  align-items: center;
  justify-content: space-between;
}
h3 {
  font-size: 16px;
}
h3 small {
  font: 12px var(--sans);
  color: var(--soft);
  margin-left: 6px;
}
.sentence {
  margin: 2px 0 4px;
  font: 15px/1.8 var(--serif);
}
.stands {
  margin: 0 0 8px;
}
.asked {
  margin-bottom: 8px;
  padding: 0;
}
/* The card has its name already. */
.asked :deep(h2) {
  display: none;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
</style>
