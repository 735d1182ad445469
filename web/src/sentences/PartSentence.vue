<script setup lang="ts">
import { definitionOf } from '@hilera/core/layouts/index'
import type { Part } from '@hilera/core/model/part'
import { formatLength, formatNumber } from '@hilera/core/numbers/format'
import { boundsOfPart } from '@hilera/core/parts/support'
import { plural } from '@hilera/core/words'
import { X } from '@lucide/vue'
import Button from 'primevue/button'
import { computed } from 'vue'
import LookWords from '../parts/LookWords.vue'
import PartMembers from '../parts/PartMembers.vue'
import PartPoints from '../parts/PartPoints.vue'
import PartProfile from '../parts/PartProfile.vue'
import ShapeWords from '../parts/ShapeWords.vue'
import { usePartEdits } from '../parts/partEdits'
import { usePartUses } from '../parts/partUses'
import NameField from '../shell/NameField.vue'
import { useDocument } from '../stores/document'
import { useSelection } from '../stores/selection'

/** A part told as a sentence, its numbers edited in place; every copy follows at once. */
const props = defineProps<{ part: Part }>()
const document = useDocument()
const selection = useSelection()
const edits = usePartEdits()
const partUses = usePartUses()

const users = computed(() => partUses.usesOf(props.part.id))
const copies = computed(() => users.value.reduce((n, { own, inside }) => n + own + inside, 0))
const inVariants = computed(() => partUses.variantsOf(props.part.id))
const keptBy = computed(() => edits.keptBy(props.part.id))
const size = computed(() => {
  const { low, high } = boundsOfPart(props.part, document.source)
  return low.map((n, i) => formatLength(high[i] - n, document.unit)).join(' × ')
})
/** What this part would take the place of in the picked pattern: what is dealt there, and what places have of their own. */
const replaced = computed(() => {
  const { pattern } = selection
  if (!pattern) return undefined
  const own = definitionOf(pattern.layout).ownParts?.(pattern.layout) ?? []
  const ids = [...new Set([...pattern.deal.parts, ...own.map((o) => o.part)])].filter((id) => id !== props.part.id)
  if (ids.length === 0) return undefined
  const name = [...document.project.parts, ...document.project.patterns].find((t) => t.id === ids[0])?.name
  return ids.length === 1 ? name : `its ${ids.length} parts`
})
const rename = (name: string): void => void edits.change(props.part, 'name', (p) => void (p.name = name))
</script>

<template>
  <section class="part" :aria-label="`Part ${part.name}`">
    <header>
      <h2><NameField :name="part.name" label="Name of the part" @rename="rename" /></h2>
      <button
        type="button"
        class="tool"
        aria-label="Close the part"
        title="Close"
        @click="selection.pickPart(undefined)"
      >
        <X :size="15" />
      </button>
    </header>
    <ShapeWords :part="part" />
    <PartProfile :part="part" />
    <PartMembers :part="part" />
    <LookWords :part="part" />
    <PartPoints :part="part" />
    <p class="note">
      <span class="figure">{{ size }}</span> · used by <span class="figure">{{ formatNumber(copies, 0) }}</span>
      {{ plural(copies, 'copy', 'copies') }} in <span class="figure">{{ users.length }}</span>
      {{ plural(users.length, 'pattern', 'patterns')
      }}<template v-if="inVariants > 0"
        >, its variants by <span class="figure">{{ formatNumber(inVariants, 0) }}</span></template
      >; all of them follow.
    </p>
    <div class="row">
      <Button
        v-if="selection.pattern && replaced"
        :label="`Use in ${selection.pattern.name} in place of ${replaced}`"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="edits.useIn(selection.pattern.id, part)"
      />
      <RouterLink
        class="aside"
        :to="{ name: 'parts', params: { id: document.id } }"
        title="Pivot, axes, variants and where it is used"
        >More in Parts</RouterLink
      >
      <Button
        label="Remove the part"
        severity="secondary"
        variant="text"
        size="small"
        :disabled="!!keptBy"
        :title="keptBy"
        @click="edits.remove(part)"
      />
    </div>
  </section>
</template>

<style scoped>
.part {
  margin: 0 -6px 14px;
  padding: 8px 10px 10px;
  border: 1px solid var(--edge);
  border-radius: 8px;
  background: var(--paper);
}
header {
  display: flex;
  justify-content: space-between;
}
h2 {
  font-size: 18px;
  min-width: 0;
  overflow: hidden;
  padding: 0 4px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 10px;
  margin-top: 6px;
}
</style>
