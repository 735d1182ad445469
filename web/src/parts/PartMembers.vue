<script setup lang="ts">
import { circleOfParts, type Member, type Part } from '@hilera/core/model/part'
import type { Vec3 } from '@hilera/core/values/values'
import type { Sentence } from '@hilera/core/words'
import { X } from '@lucide/vue'
import { computed, ref } from 'vue'
import { newId } from '../names'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import NumberValue from '../sentences/NumberValue.vue'
import { useDocument } from '../stores/document'
import { useSelection } from '../stores/selection'
import { usePartEdits } from './partEdits'

/** The parts inside an assembly: each moved, turned and sized in its axes. */
const props = defineProps<{ part: Part }>()
const document = useDocument()
const selection = useSelection()
const edits = usePartEdits()
const problem = ref<string>()

const members = computed(() => (props.part.shape.kind === 'assembly' ? props.part.shape.members : []))
const nameOf = (id: string): string => document.project.parts.find((p) => p.id === id)?.name ?? '?'
const change = (edit: (members: Member[]) => void): void =>
  void document.change(
    `parts inside ${props.part.name}`,
    edits.shapeRecipe(props.part.id, 'assembly', (s) => edit(s.members)),
  )
const addOptions = computed(() => [
  { value: '', words: 'Add a part' },
  ...document.project.parts.filter((p) => p.id !== props.part.id).map((p) => ({ value: p.id, words: p.name })),
])
function add(id: string): void {
  problem.value = undefined
  if (!id) return
  const member: Member = { id: newId('member'), part: id, move: [0, 0, 0], turn: [0, 0, 0], size: [1, 1, 1] }
  const parts = document.project.parts.map((p) =>
    p.id === props.part.id && p.shape.kind === 'assembly'
      ? { ...p, shape: { ...p.shape, members: [...p.shape.members, member] } }
      : p,
  )
  const circle = circleOfParts(parts)
  if (circle) problem.value = `${circle.join(' → ')}: a part cannot contain itself. Add another one.`
  else change((list) => void list.push(member))
}
const set = (i: number, key: 'move' | 'turn' | 'size', axis: number) => (value: number) =>
  edits.shapeRecipe(props.part.id, 'assembly', (s) => void ((s.members[i][key] as Vec3)[axis] = value))
const sizeCheck = (n: number): Sentence | undefined =>
  n > 0 ? undefined : ['A size is more than 0: type 100 % for the part’s own.']
const axes = ['across', 'up', 'deep']
</script>

<template>
  <section v-if="part.shape.kind === 'assembly'" aria-label="Parts inside">
    <div v-for="(m, i) in members" :key="m.id" class="member">
      <header>
        <button type="button" class="aside" title="Edit this part" @click="selection.pickPart(m.part)">
          {{ nameOf(m.part) }}
        </button>
        <button
          type="button"
          class="tool"
          :aria-label="`Take ${nameOf(m.part)} out`"
          title="Take out"
          @click="change((list) => void list.splice(i, 1))"
        >
          <X :size="14" />
        </button>
      </header>
      <p class="numbers">
        at
        <NumberValue
          v-for="(axis, a) in axes"
          :key="axis"
          :value="m.move[a]"
          quantity="length"
          state="free"
          :label="`Part ${i + 1} ${axis}`"
          :undo="`parts inside ${part.name}`"
          :edit="set(i, 'move', a)"
        />, turned
        <NumberValue
          v-for="(axis, a) in axes"
          :key="axis"
          :value="m.turn[a]"
          quantity="angle"
          state="free"
          :label="`Part ${i + 1} turned about ${axis}`"
          :undo="`parts inside ${part.name}`"
          :edit="set(i, 'turn', a)"
        />, sized
        <NumberValue
          v-for="(axis, a) in axes"
          :key="axis"
          :value="m.size[a]"
          quantity="share"
          state="free"
          :label="`Part ${i + 1} sized ${axis}`"
          :undo="`parts inside ${part.name}`"
          :check="sizeCheck"
          :edit="set(i, 'size', a)"
        />
      </p>
    </div>
    <p class="add"><ChoiceValue label="Part to add" value="" :options="addOptions" @pick="add" /></p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.member {
  border-top: 1px solid var(--rule);
  padding: 4px 0;
}
header {
  display: flex;
  justify-content: space-between;
}
.numbers {
  margin: 0;
  font: 14px/1.8 var(--serif);
}
.add {
  margin: 6px 0;
}
.problem {
  color: var(--vermilion);
  font-size: 12px;
}
</style>
