<script setup lang="ts">
import { partFileEndings } from '@hilera/core/readers/partFile'
import type { Part } from '@hilera/core/model/part'
import { formatNumber } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import { useFileDialog } from '@vueuse/core'
import Menu from 'primevue/menu'
import { useTemplateRef } from 'vue'
import { useImport } from '../parts/importFile'
import { newPartKinds, newParts } from '@hilera/core/parts/newParts'
import { usePartEdits } from '../parts/partEdits'
import { usePartUses } from '../parts/partUses'
import PartPicture from '../parts/PartPicture.vue'
import { useDocument } from '../stores/document'
import { useSelection } from '../stores/selection'

const document = useDocument()
const selection = useSelection()
const edits = usePartEdits()
const partUses = usePartUses()
const { importFiles, reading } = useImport()
const menu = useTemplateRef<InstanceType<typeof Menu>>('menu')

const files = useFileDialog({ accept: partFileEndings().join(','), multiple: true, reset: true })
files.onChange((list) => list && void importFiles(list))
const items = [
  ...newPartKinds.map((kind) => ({ label: newParts[kind].words, command: () => void edits.addNew(kind) })),
  { separator: true },
  { label: 'From a file…', command: () => files.open() },
]
const used = (id: string): string => {
  const n = partUses.copiesOf(id) || partUses.variantsOf(id)
  return n >= 1000 ? `${formatNumber(Math.floor(n / 100) / 10, 1)}k` : String(n)
}
/** The figure in words: a part of which only variants stand there is counted in these. */
const told = ({ id, name }: Part): string => {
  const [own, variants] = [partUses.copiesOf(id), partUses.variantsOf(id)]
  return `${name}, ${own} ${plural(own, 'copy', 'copies')}${variants > 0 ? `, ${variants} of its variants` : ''}`
}
</script>

<template>
  <section class="tray" aria-labelledby="parts-head">
    <header>
      <h2 id="parts-head">Parts</h2>
      <span v-if="reading" class="note reading" role="status">Reading {{ reading }}…</span>
      <button type="button" class="add" aria-haspopup="menu" @click="menu?.toggle($event)">Add</button>
      <Menu ref="menu" :model="items" popup />
    </header>
    <div class="cards">
      <button
        v-for="part in document.project.parts"
        :key="part.id"
        type="button"
        class="card"
        :class="{ picked: part.id === selection.partId }"
        :aria-pressed="part.id === selection.partId"
        :title="told(part)"
        @click="selection.pickPart(part.id === selection.partId ? undefined : part.id)"
      >
        <span class="figure used">{{ used(part.id) }}</span>
        <PartPicture :part="part" :size="38" />
        <span class="name">{{ part.name }}</span>
      </button>
    </div>
    <p v-if="document.project.parts.length === 0" class="note">
      No part yet. Add a solid, or drop a GLB, OBJ, STL or PLY on the stage.
    </p>
  </section>
</template>

<style scoped>
.tray {
  border-top: 1px solid var(--rule);
  padding: 10px 10px 10px 12px;
  max-height: 46%;
  overflow: auto;
  flex: none;
}
header {
  display: flex;
  align-items: center;
  gap: 6px;
  margin-bottom: 6px;
}
h2 {
  flex: 1;
  font: 600 11.5px var(--sans);
  letter-spacing: 0;
  color: var(--soft);
}
.reading {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.add {
  border: 0;
  background: none;
  padding: 4px 6px;
  color: var(--soft);
  font-weight: 600;
  font-size: 12px;
  border-radius: 5px;
  cursor: pointer;
}
.add:hover {
  background: var(--madder-wash);
  color: var(--madder);
}
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(56px, 1fr));
  gap: 6px;
}
.card {
  position: relative;
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 2px;
  /* The figure stands over the picture, not on it. */
  padding: 16px 2px 4px;
  border: 1px solid var(--rule);
  border-radius: 7px;
  background: var(--card);
  cursor: pointer;
  min-width: 0;
}
.card:hover {
  border-color: var(--edge);
}
.picked {
  border-color: var(--madder);
  background: var(--madder-wash);
}
.used {
  position: absolute;
  top: 2px;
  right: 5px;
  font-size: 10px;
  color: var(--faint);
}
.name {
  width: 100%;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  text-align: center;
  font-size: 10.5px;
  color: var(--soft);
}
</style>
