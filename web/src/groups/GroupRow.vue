<script setup lang="ts">
import { takersOf } from '@hilera/core/links/shared'
import { patternsIn } from '@hilera/core/model/grouping'
import type { Group } from '@hilera/core/model/project'
import { stepDefinitionOf, stepKinds } from '@hilera/core/steps/index'
import { steps } from '@hilera/core/steps/registry'
import { plural } from '@hilera/core/words'
import { ChevronDown, ChevronRight, EllipsisVertical, Lock } from '@lucide/vue'
import Menu from 'primevue/menu'
import { computed, useTemplateRef } from 'vue'
import { useDocument } from '../stores/document'
import { useSelection } from '../stores/selection'
import { useView } from '../stores/view'
import { useMirrorEdits } from '../mirrors/newMirrors'
import { useStepEdits } from '../steps/stepEdits'
import { useCopyText } from '../texts/copyText'
import { useGroupEdits } from './groupEdits'

/** A group in the list: one click picks all that is in it. */
const props = defineProps<{ group: Group; shut: boolean }>()
const emit = defineEmits<{ shut: [] }>()
const document = useDocument()
const selection = useSelection()
const view = useView()
const edits = useGroupEdits()
const mirrors = useMirrorEdits()
const texts = useCopyText()
const stepEdits = useStepEdits()
const menu = useTemplateRef<InstanceType<typeof Menu>>('menu')
const inside = computed(() => patternsIn(document.project, props.group.id).length)
const hidden = computed(() => edits.isHidden(props.group.id))
function pick(event: MouseEvent): void {
  if (event.shiftKey || event.ctrlKey || event.metaKey) selection.toggleWhole(props.group.id)
  else selection.pickGroup(props.group.id)
}
/** Steps that all patterns of a group can have together: what adds images has a way of its own. */
const forAll = stepKinds.filter((kind) => !stepDefinitionOf({ kind }).isProposed)
const items = computed(() => [
  { label: 'Frame it', command: () => (selection.pickGroup(props.group.id), view.frame('selection')) },
  { label: hidden.value ? 'Show' : 'Hide', command: () => edits.setHidden(props.group, !hidden.value) },
  {
    label: props.group.locked ? 'Unlock' : 'Lock',
    command: () => edits.setLocked(props.group.id, !props.group.locked),
  },
  { separator: true },
  ...forAll.map((kind) => ({
    label: `${steps[kind].words} all of it`,
    command: () => {
      stepEdits.addToAll(props.group, kind)
      const [first] = takersOf(document.project, props.group.id)
      if (first) selection.pickPattern(first.id)
    },
  })),
  { separator: true },
  { label: 'Mirror it', command: () => mirrors.mirrorGroup(props.group) },
  { label: 'Copy as text', command: () => void texts.copy(patternsIn(document.project, props.group.id)) },
  { label: 'Take it apart', command: () => edits.ungroup(props.group.id) },
])
</script>

<template>
  <button
    type="button"
    class="fold"
    :aria-expanded="!shut"
    :aria-label="`What is in ${group.name}`"
    @click="emit('shut')"
  >
    <component :is="shut ? ChevronRight : ChevronDown" :size="15" aria-hidden="true" />
  </button>
  <button type="button" class="name" :aria-pressed="selection.wholes.includes(group.id)" @click="pick">
    <span>{{ group.name }}</span><small>group of {{ inside }} {{ plural(inside, 'pattern', 'patterns') }}</small>
  </button>
  <Lock v-if="group.locked" :size="13" class="lock" aria-label="locked" />
  <button
    type="button"
    class="more"
    :aria-label="`More for ${group.name}`"
    aria-haspopup="menu"
    @click="menu?.toggle($event)"
  >
    <EllipsisVertical :size="15" />
  </button>
  <Menu ref="menu" :model="items" popup />
</template>

<style scoped>
button {
  border: 0;
  background: none;
  cursor: pointer;
  text-align: left;
}
.fold {
  width: 26px;
  display: grid;
  place-content: center;
  padding: 0;
  color: var(--soft);
}
.name {
  flex: 1;
  min-width: 0;
  padding: 6px 0;
}
.name span,
.name small {
  display: block;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
small {
  font-size: 11.5px;
  color: var(--soft);
}
.lock {
  align-self: center;
  color: var(--soft);
}
.more {
  width: 24px;
  display: grid;
  place-content: center;
  padding: 0;
  color: var(--faint);
}
</style>
