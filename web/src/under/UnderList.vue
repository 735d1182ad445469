<script setup lang="ts">
import { groundDefinitionOf, groundKinds } from '@hilera/core/grounds/index'
import { formatLength } from '@hilera/core/numbers/format'
import { EyeOff, Image, Lock, Mountain, Plus } from '@lucide/vue'
import { useFileDialog } from '@vueuse/core'
import Button from 'primevue/button'
import Menu from 'primevue/menu'
import { computed, useTemplateRef } from 'vue'
import { useRefusal } from '../shell/refusal'
import { useBrightness } from '../patterns/brightness'
import { useDocument } from '../stores/document'
import { useSelection } from '../stores/selection'
import { useView } from '../stores/view'
import { usePlans } from './plans'
import { type Under, isPlan, useUnderEdits } from './underEdits'

/** Grounds and plans under the arrangement. */
const document = useDocument()
const selection = useSelection()
const view = useView()
const edits = useUnderEdits()
const plans = usePlans()
const refuse = useRefusal('Not laid down')
const { choose } = useBrightness()
const menu = useTemplateRef<InstanceType<typeof Menu>>('menu')
const dialog = useFileDialog({ accept: 'image/png,image/jpeg,image/webp,image/svg+xml', multiple: false, reset: true })
dialog.onChange(async (files) => {
  const file = files?.[0]
  if (!file) return
  // As one looks at it: standing where the stage is seen from the front or the side.
  const lies = view.view === 'front' || view.view === 'side' ? view.view : 'ground'
  refuse(await plans.add(file, lies))
})

const all = computed<Under[]>(() => [...document.project.grounds, ...document.project.plans])
function summary(under: Under): string {
  if (isPlan(under)) {
    const what = under.mime === 'image/svg+xml' ? 'drawing, 1 unit' : 'picture, 1 px'
    return `${what} is ${formatLength(under.perPixel, document.unit)}`
  }
  return groundDefinitionOf(under.shape).summary(
    under.shape,
    (id) => document.project.parts.find((p) => p.id === id)?.name ?? '',
  )
}
const items = computed(() => [
  { label: 'Plan: a picture or a drawing…', command: () => dialog.open() },
  { separator: true },
  ...groundKinds
    .map((kind) => ({ kind, definition: groundDefinitionOf({ kind }) }))
    .filter(({ definition }) => definition.begin)
    .map(({ kind, definition }) => ({ label: definition.words, command: () => edits.addGround(kind) })),
  {
    label: selection.part ? `Surface of ${selection.part.name}` : 'Surface of a part (pick one in the tray)',
    disabled: !selection.part,
    command: () =>
      selection.part && edits.addShape({ kind: 'part', part: selection.part.id }, `${selection.part.name} ground`),
  },
  {
    label: 'Height picture…',
    command: () =>
      choose((file, fileName, { width, height }) =>
        edits.addShape(
          { kind: 'heights', file, fileName, width: 2, depth: (2 * height) / width, low: 0, high: 0.34 },
          fileName.replace(/\.[^.]*$/, ''),
        ),
      ),
  },
])
</script>

<template>
  <section class="under" aria-labelledby="under-head">
    <header>
      <h2 id="under-head">Under it</h2>
      <Button
        severity="secondary"
        variant="text"
        size="small"
        aria-label="Add a plan or a ground"
        title="Add a plan or a ground"
        aria-haspopup="menu"
        @click="menu?.toggle($event)"
        ><Plus :size="15"
      /></Button>
    </header>
    <ul v-if="all.length">
      <li
        v-for="under in all"
        :key="under.id"
        :class="{ picked: under.id === selection.underId, hidden: under.hidden }"
      >
        <button
          type="button"
          class="row"
          :aria-pressed="under.id === selection.underId"
          @click="selection.pickUnder(under.id)"
        >
          <component :is="isPlan(under) ? Image : Mountain" :size="15" aria-hidden="true" />
          <span class="words"
            ><span class="name">{{ under.name }}</span
            ><small>{{ summary(under) }}</small></span
          >
        </button>
        <button
          v-if="under.locked"
          type="button"
          class="more"
          :aria-label="`Unlock ${under.name}`"
          title="Locked: click to unlock"
          @click="edits.setLocked(under, false)"
        >
          <Lock :size="13" />
        </button>
        <button
          v-if="under.hidden"
          type="button"
          class="more"
          :aria-label="`Show ${under.name}`"
          title="Show"
          @click="edits.setHidden(under, false)"
        >
          <EyeOff :size="15" />
        </button>
      </li>
    </ul>
    <Menu ref="menu" :model="items" popup />
  </section>
</template>

<style scoped src="../arrange/list.css"></style>
<style scoped>
.under {
  border-top: 1px solid var(--rule);
  max-height: 34%;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
header {
  display: flex;
  align-items: center;
  padding: 2px 4px 2px 14px;
}
ul {
  padding-bottom: 4px;
}
.row {
  gap: 12px;
  padding: 4px 0 4px 12px;
  color: inherit;
}
.row svg {
  color: var(--soft);
  flex: none;
}
</style>
