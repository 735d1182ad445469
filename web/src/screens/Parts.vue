<script setup lang="ts">
import { partFileEndings } from '@hilera/core/readers/partFile'
import { formatNumber } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import { useDropZone, useFileDialog } from '@vueuse/core'
import DropNote from '../shell/DropNote.vue'
import Button from 'primevue/button'
import Menu from 'primevue/menu'
import SelectButton from 'primevue/selectbutton'
import { computed, defineAsyncComponent, ref, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import FoldDialog from '../fold/FoldDialog.vue'
import { useImport } from '../parts/importFile'
import { newPartKinds, newParts } from '@hilera/core/parts/newParts'
import PartDetails from '../parts/PartDetails.vue'
import { usePartEdits } from '../parts/partEdits'
import { usePartUses } from '../parts/partUses'
import { useSplitting } from '../parts/splitting'
import { usePartSets } from '../parts/partSets'
import PartPicture from '../parts/PartPicture.vue'
import { type PartSort, partSorts, sortOf } from '../parts/partSorts'
import { useDocument } from '../stores/document'
import { useSelection } from '../stores/selection'

/** Every part with its picture and its use; the picked one on a plinth, and told as sentences. */
const Plinth = defineAsyncComponent(() => import('../parts/Plinth.vue'))
const document = useDocument()
const selection = useSelection()
const edits = usePartEdits()
const partUses = usePartUses()
const splitting = useSplitting()
const sets = usePartSets()
const { importFiles, reading } = useImport()
const screen = useTemplateRef<HTMLElement>('screen')
const addMenu = useTemplateRef<InstanceType<typeof Menu>>('addMenu')
const { isOverDropZone } = useDropZone(screen, (files) => void (files && importFiles(files)))
const meshFiles = useFileDialog({ accept: partFileEndings().join(','), multiple: true, reset: true })
meshFiles.onChange((list) => list && void importFiles(list))
const setFile = useFileDialog({ accept: '.hilera', multiple: false, reset: true })
setFile.onChange((list) => list?.[0] && void sets.add(list[0]))

// Who comes to fold finds the way to it open.
const route = useRoute()
const router = useRouter()
const folding = ref(route.query.fold === 'yes')
const picking = ref(false)
const sort = ref<PartSort | 'all'>('all')
const sortOptions = computed(() => [
  { value: 'all' as const, label: 'All' },
  ...partSorts
    .filter(({ value }) => document.project.parts.some((p) => sortOf(p) === value))
    .map(({ value, words }) => ({ value, label: words })),
])
const shown = computed(() => document.project.parts.filter((p) => sort.value === 'all' || sortOf(p) === sort.value))
const part = computed(() => selection.part)
watch(
  () => [document.id, document.project.parts.length] as const,
  () => {
    if (!selection.part) selection.pickPart(document.project.parts[0]?.id)
  },
  { immediate: true },
)
watch(part, () => (picking.value = false))
// Asked for by its command, here or from another screen.
watch(
  () => route.query.split,
  (asked) => {
    if (asked !== 'yes') return
    if (part.value?.shape.kind === 'mesh') splitting.begin(part.value.id)
    void router.replace({ query: {} })
  },
  { immediate: true },
)

const items = [
  ...newPartKinds.map((kind) => ({ label: newParts[kind].words, command: () => void edits.addNew(kind) })),
  { separator: true },
  { label: 'From a file…', command: () => meshFiles.open() },
  { label: 'From a set of parts…', command: () => setFile.open() },
]
const used = (id: string): string => {
  const [own, variants] = [partUses.copiesOf(id), partUses.variantsOf(id)]
  if (own === 0 && variants > 0) return `in its variants: ${formatNumber(variants, 0)}`
  return own === 0 ? 'not used' : `used by ${formatNumber(own, 0)}`
}
</script>

<template>
  <div ref="screen" class="parts">
    <section class="wall" aria-labelledby="wall-head">
      <header>
        <h1 id="wall-head">Parts</h1>
        <span class="figure">{{ formatNumber(document.project.parts.length, 0) }}</span>
        <span class="rest" />
        <Button label="Add" size="small" aria-haspopup="menu" @click="addMenu?.toggle($event)" />
        <Menu ref="addMenu" :model="items" popup :pt="{ list: { style: 'max-height: 420px; overflow: auto' } }" />
      </header>
      <p v-if="reading" class="note" role="status">Reading {{ reading }}…</p>
      <SelectButton
        v-if="sortOptions.length > 2"
        v-model="sort"
        :options="sortOptions"
        option-label="label"
        option-value="value"
        :allow-empty="false"
        aria-label="Kinds that are shown"
        size="small"
        class="sorts"
      />
      <ul class="cards">
        <li v-for="p in shown" :key="p.id">
          <button
            type="button"
            class="card"
            :class="{ picked: p.id === selection.partId }"
            :aria-pressed="p.id === selection.partId"
            @click="selection.pickPart(p.id)"
          >
            <PartPicture :part="p" :size="64" />
            <span class="name">{{ p.name }}</span>
            <span class="note">{{ used(p.id) }}</span>
            <span v-if="p.shape.kind === 'twin'" class="hand" title="A twin: the mirror image of another part">L</span>
          </button>
        </li>
      </ul>
      <p v-if="document.project.parts.length === 0" class="note hint">
        No part yet. Add a solid, or drop a GLB, OBJ, STL or PLY here.
      </p>
      <footer>
        <Button
          label="Fold…"
          severity="secondary"
          variant="outlined"
          size="small"
          title="Turn parts that are one shape into one part and linked copies"
          @click="folding = true"
        />
        <Button
          label="Save as a set"
          severity="secondary"
          variant="text"
          size="small"
          title="All parts that are shown, as a file that other projects can add"
          :disabled="shown.length === 0"
          @click="sets.save(shown)"
        />
      </footer>
    </section>
    <section class="plinth" aria-label="The part on its plinth">
      <Plinth v-if="part" :part="part" :picking="picking" @picked="picking = false" />
      <p v-if="picking" class="chip asking" role="status">
        Click a point on the part for its pivot
        <button type="button" class="aside" @click="picking = false">give up</button>
      </p>
      <p v-if="!part" class="note none">Pick a part to see it here.</p>
    </section>
    <section class="told" aria-label="The part in words">
      <PartDetails v-if="part" :key="part.id" :part="part" @pick-pivot="picking = true" />
      <p v-else class="note none">{{ plural(document.project.parts.length, 'Its', 'Their') }} sentences stand here.</p>
    </section>
    <FoldDialog v-model:shown="folding" />
    <DropNote v-if="isOverDropZone" words="Drop to bring it in as parts" />
  </div>
</template>

<style scoped>
.parts {
  position: relative;
  display: grid;
  grid-template-columns: 312px minmax(0, 1fr) 372px;
  height: 100%;
}
.wall > .note {
  margin: 0 16px 8px;
}
.wall {
  display: flex;
  flex-direction: column;
  min-height: 0;
  background: var(--card);
  border-right: 1px solid var(--rule);
}
header {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 12px 14px 8px 16px;
}
h1 {
  font-size: 21px;
}
header .figure {
  color: var(--faint);
}
.rest {
  flex: 1;
}
.sorts {
  margin: 0 14px 8px;
}
.cards {
  list-style: none;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(86px, 1fr));
  align-content: start;
  gap: 8px;
  margin: 0;
  padding: 4px 14px;
  overflow: auto;
  flex: 1;
}
.card {
  position: relative;
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 1px;
  width: 100%;
  padding: 8px 4px 6px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--paper);
  cursor: pointer;
}
.card:hover {
  border-color: var(--edge);
}
.picked {
  border-color: var(--madder);
  background: var(--madder-wash);
}
.name {
  width: 100%;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  text-align: center;
  font-size: 12px;
}
.card .note {
  font-size: 11px;
}
.hand {
  position: absolute;
  top: 4px;
  right: 6px;
  font: 600 11px var(--mono);
  color: var(--madder);
}
footer {
  display: flex;
  gap: 6px;
  padding: 8px 14px;
  border-top: 1px solid var(--rule);
}
.plinth {
  position: relative;
  background: var(--stage);
  min-width: 0;
}
.told {
  overflow: auto;
  padding: 12px 18px 24px;
  background: var(--card);
  border-left: 1px solid var(--rule);
}
.none,
.hint {
  padding: 20px;
}
.asking {
  position: absolute;
  top: 12px;
  left: 50%;
  transform: translateX(-50%);
  margin: 0;
  color: var(--madder);
  background: var(--madder-wash);
}
@media (max-width: 1150px) {
  .parts {
    grid-template-columns: 230px minmax(0, 1fr) 340px;
  }
}
</style>
