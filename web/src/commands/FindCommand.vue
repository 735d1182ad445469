<script setup lang="ts">
import Dialog from 'primevue/dialog'
import Textarea from 'primevue/textarea'
import { computed, ref, watch } from 'vue'
import SmallDrawing from '../drawing/SmallDrawing.vue'
import { useDocument } from '../stores/document'
import { useSelection } from '../stores/selection'
import { useMakeText } from '../texts/makeText'
import TextPreview from '../texts/TextPreview.vue'
import { type Command, useCommands } from './commands'

/** Finds commands, patterns and parts by name, and makes what a typed or pasted sentence says. */
const commands = useCommands()
const document = useDocument()
const selection = useSelection()
const make = useMakeText()
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

/** Nothing is called so: it is a sentence. */
const isSentence = computed(() => text.value.trim() !== '' && found.value.length === 0)
watch([text, isSentence], () => (isSentence.value ? make.look(text.value) : make.leave()))
const makes = computed(() => {
  const made = make.read?.made
  return made !== undefined && make.read?.text === text.value && made.patterns.length + made.parts.length > 0
})

function choose(command: Command | undefined): void {
  if (!command || command.unavailable) return
  close()
  command.run()
}
function accept(): void {
  if (makes.value && make.accept()) close()
}
function close(): void {
  commands.finding = false
}
function shown(): void {
  text.value = commands.pasted ?? ''
  commands.pasted = undefined
}

function key(event: KeyboardEvent): void {
  const by = { ArrowDown: 1, ArrowUp: -1 }[event.key]
  if (event.key === 'Enter' && !event.shiftKey) {
    if (isSentence.value) accept()
    else choose(found.value[at.value])
  } else if (by && !isSentence.value) at.value = (at.value + by + found.value.length) % Math.max(found.value.length, 1)
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
    header="Find, or say what to make"
    :style="{ width: '520px' }"
    position="top"
    :pt="{ mask: { class: isSentence ? 'seen-through' : '' } }"
    @show="shown"
    @hide="make.leave()"
  >
    <Textarea
      v-model="text"
      autofocus
      fluid
      auto-resize
      rows="1"
      role="combobox"
      class="field"
      aria-label="Find a command, a pattern or a part, or say what to make"
      aria-expanded="true"
      aria-controls="found"
      :aria-activedescendant="isSentence ? undefined : `found-${at}`"
      placeholder="What do you want to do? Or: place 9 tins in a line across, 12 mm gap"
      @keydown="key"
    />
    <template v-if="isSentence">
      <TextPreview v-if="make.read" :text="make.read.text" :made="make.read.made" />
      <p v-if="make.isReading && !make.read" class="note">Reading …</p>
      <p v-if="makes" class="note hint"><kbd>Enter</kbd> makes it, <kbd>Esc</kbd> leaves nothing behind.</p>
    </template>
    <ul v-else id="found" role="listbox" aria-label="Found">
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
        <SmallDrawing v-if="command.drawing" :drawing="command.drawing" :width="28" />
        <span class="words">{{ command.words }}</span>
        <small v-if="command.unavailable">{{ command.unavailable }}</small>
        <kbd v-else-if="command.keys">{{ command.keys }}</kbd>
      </li>
    </ul>
  </Dialog>
</template>

<style scoped>
.field {
  max-height: 180px;
}
ul {
  list-style: none;
  margin: 10px 0 0;
  padding: 0;
  max-height: 360px;
  overflow: auto;
}
li {
  display: flex;
  align-items: center;
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
.words {
  flex: 1;
}
.hint {
  margin: 8px 2px 0;
}
</style>
