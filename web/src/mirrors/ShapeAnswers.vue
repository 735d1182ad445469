<script setup lang="ts">
import type { ShapeNote } from '@hilera/core/mirror/notes'
import type { Reflection, ShapeAnswer } from '@hilera/core/values/reflection'
import { computed } from 'vue'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import { useDocument } from '../stores/document'
import type { ReflectionEdits } from './mirrorEdits'

/** What becomes of each part's shape, and why: a line for every part that is mirrored. */
const props = defineProps<{ reflection: Reflection; edits: ReflectionEdits; shapes: readonly ShapeNote[] }>()
const document = useDocument()

/** The hands of a part and of its image. */
const marks = { twin: 'R L', kept: 'R R', symmetric: '=' } as const

const rows = computed(() =>
  props.shapes.flatMap((note) => {
    const part = document.project.parts.find((p) => p.id === note.id)
    return part ? [{ note, part, answer: props.reflection.answers[part.id] ?? 'same' }] : []
  }),
)
const options = [
  { value: 'same' as const, words: 'as it is' },
  { value: 'mirrored' as const, words: 'mirrored', note: 'as its twin' },
  { value: 'kept' as const, words: 'kept', note: 'the same shape, its place and turn mirrored' },
  { value: 'auto' as const, words: 'where it has a hand', note: 'mirrored only then' },
]
type Answer = (typeof options)[number]['value']
function answer(id: string, value: Answer): void {
  props.edits.change('shape', (r) => {
    if (value === 'same') delete r.answers[id]
    else r.answers[id] = value as ShapeAnswer
  })
}
function why({ note, part }: (typeof rows.value)[number]): string {
  if (note.hand === 'symmetric') return `its own mirror image ${facing(note.normal!)}`
  if (note.hand === 'twin') return 'mirrored, as its twin'
  return part.lettering ? 'kept, so that its lettering can be read' : 'kept as it is'
}
/** Which way a plane faces, in the part's own axes. */
function facing(normal: readonly number[]): string {
  const at = normal.findIndex((n) => Math.abs(n) > 1 - 1e-6)
  return at < 0 ? 'slantwise' : ['across', 'up and down', 'deep'][at]
}
</script>

<template>
  <ul v-if="rows.length > 0" class="answers note" aria-label="Shapes">
    <li v-for="row in rows" :key="row.part.id">
      <span
        class="hand figure"
        :class="row.note.hand"
        :title="row.note.hand === 'twin' ? 'Its twin is the left-handed one' : ''"
        >{{ marks[row.note.hand] }}</span
      >
      <span class="what"
        ><b>{{ row.part.name }}</b> {{ why(row) }}</span
      >
      <ChoiceValue
        :label="`Shape of ${row.part.name}`"
        :value="row.answer"
        :options="options"
        @pick="(a: Answer) => answer(row.part.id, a)"
      />
    </li>
  </ul>
</template>

<style scoped>
.answers {
  list-style: none;
  margin: 6px 0 2px;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 30px 1fr auto;
  gap: 6px;
  align-items: baseline;
  padding: 2px 0;
}
.hand {
  color: var(--soft);
  font-size: 11px;
}
.hand.twin {
  color: var(--ochre);
  font-weight: 700;
}
b {
  font-weight: 600;
  color: var(--ink);
}
</style>
