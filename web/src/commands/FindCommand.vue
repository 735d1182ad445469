<script setup lang="ts">
import Dialog from 'primevue/dialog'
import InputText from 'primevue/inputtext'
import { computed, ref, watch } from 'vue'
import { useDocument } from '../stores/document'
import { useSelection } from '../stores/selection'
import { type Command, useCommands } from './commands'

/** Finds commands, patterns and parts by name. */
const commands = useCommands()
const document = useDocument()
const selection = useSelection()
const text = ref('')
const at = ref(0)

const things = computed<Command[]>(() => [
  ...document.project.patterns.map((p) => ({
    id: p.id,
    words: `Pattern: ${p.name}`,
    run: () => selection.pickPattern(p.id),
  })),
  ...document.project.parts.map((p) => ({ id: p.id, words: `Part: ${p.name}`, run: () => selection.pickPart(p.id) })),
])
const found = computed(() => {
  const words = text.value.toLowerCase().split(/\s+/).filter(Boolean)
  return [...commands.all, ...things.value]
    .filter((c) => words.every((w) => c.words.toLowerCase().includes(w)))
    .slice(0, 60)
})
watch(found, () => (at.value = 0))

function choose(command: Command | undefined): void {
  if (!command || command.unavailable) return
  commands.finding = false
  command.run()
}

function key(event: KeyboardEvent): void {
  const by = { ArrowDown: 1, ArrowUp: -1 }[event.key]
  if (by) at.value = (at.value + by + found.value.length) % Math.max(found.value.length, 1)
  else if (event.key === 'Enter') choose(found.value[at.value])
  else return
  event.preventDefault()
  requestAnimationFrame(() => window.document.getElementById(`found-${at.value}`)?.scrollIntoView({ block: 'nearest' }))
}
</script>

<template>
  <Dialog
    v-model:visible="commands.finding"
    modal
    dismissable-mask
    header="Find a command or a part"
    :style="{ width: '520px' }"
    position="top"
    @show="text = ''"
  >
    <InputText
      v-model="text"
      autofocus
      fluid
      role="combobox"
      aria-label="Find a command, a pattern or a part"
      aria-expanded="true"
      aria-controls="found"
      :aria-activedescendant="`found-${at}`"
      placeholder="What do you want to do?"
      @keydown="key"
    />
    <ul id="found" role="listbox" aria-label="Found">
      <li
        v-for="(command, i) in found"
        :id="`found-${i}`"
        :key="command.id"
        role="option"
        :aria-selected="i === at"
        :aria-disabled="!!command.unavailable"
        @pointermove="at = i"
        @click="choose(command)"
      >
        <span>{{ command.words }}</span>
        <small v-if="command.unavailable">{{ command.unavailable }}</small>
        <kbd v-else-if="command.keys">{{ command.keys }}</kbd>
      </li>
      <li v-if="found.length === 0" class="none">Nothing is called that. Try a shorter word.</li>
    </ul>
  </Dialog>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 10px 0 0;
  padding: 0;
  max-height: 360px;
  overflow: auto;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 6px 10px;
  border-radius: 6px;
  cursor: pointer;
}
li[aria-selected='true'] {
  background: var(--madder-wash);
}
li[aria-disabled='true'] {
  color: var(--faint);
  cursor: default;
}
.none {
  color: var(--soft);
}
</style>
