<script setup lang="ts">
import type { Mirror } from '@hilera/core/layouts/mirror/schema'
import type { MirrorSource } from '@hilera/core/values/reflection'
import type { Pattern } from '@hilera/core/model/pattern'
import { X } from '@lucide/vue'
import { computed } from 'vue'
import { useReflectionEdits } from '../../mirrors/mirrorEdits'
import MirrorTools from '../../mirrors/MirrorTools.vue'
import ReflectionWords from '../../mirrors/ReflectionWords.vue'
import ShapeAnswers from '../../mirrors/ShapeAnswers.vue'
import { useLayoutEdits } from '../layoutEdits'
import { useDocument } from '../../stores/document'
import type { PatternUpdate } from '../../worker/messages'
import ChoiceValue from '../../sentences/ChoiceValue.vue'
import LayoutFacts from '../../sentences/LayoutFacts.vue'
import Step from '../../sentences/Step.vue'

const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate | undefined; number: number }>()
const document = useDocument()
const edits = useLayoutEdits('mirror', () => props.pattern)
const reflection = useReflectionEdits(
  () => props.pattern,
  () => undefined,
)
const mirror = computed(() => props.pattern.layout as Mirror)
const shapes = computed(() => props.outcome?.mirrors?.shapes ?? [])
/** Grain matters where a part that is mirrored has one, or a picture. */
const patterned = computed(() =>
  shapes.value.some(({ id }) => {
    const part = document.project.parts.find((p) => p.id === id)
    return part?.look.grain ?? part?.look.picture ?? part?.shape.kind === 'mesh'
  }),
)

const keyOf = ({ kind, id }: MirrorSource): string => `${kind} ${id}`
function sourceOf(key: string): MirrorSource {
  const [kind, id] = key.split(' ')
  return { kind: kind as MirrorSource['kind'], id }
}
const all = computed(() => {
  const { patterns, groups, sets } = document.project
  return [
    ...patterns.filter((p) => p.id !== props.pattern.id).map((p) => ({ value: `pattern ${p.id}`, words: p.name })),
    ...groups.map((g) => ({ value: `group ${g.id}`, words: g.name, note: 'a group' })),
    ...sets.map((s) => ({ value: `set ${s.id}`, words: s.name, note: 'a saved selection' })),
  ]
})
const free = computed(() => all.value.filter(({ value }) => !mirror.value.sources.some((s) => keyOf(s) === value)))
const optionsFor = (source: MirrorSource) =>
  all.value.filter(({ value }) => value === keyOf(source) || free.value.some((f) => f.value === value))
</script>

<template>
  <Step :number="number">
    Mirror
    <template v-for="(source, i) in mirror.sources" :key="keyOf(source)"
      ><template v-if="i > 0">{{ i === mirror.sources.length - 1 ? ' and ' : ', ' }}</template
      ><ChoiceValue
        :label="`Mirrored ${i + 1}`"
        :value="keyOf(source)"
        :options="optionsFor(source)"
        @pick="(key: string) => edits.change('source', (m) => void (m.sources[i] = sourceOf(key)))" /><button
        v-if="mirror.sources.length > 1"
        type="button"
        class="tool less"
        :aria-label="`Do not mirror ${all.find((o) => o.value === keyOf(source))?.words}`"
        title="Take it away"
        @click="edits.change('source', (m) => void m.sources.splice(i, 1))"
      >
        <X :size="12" /></button></template
    ><template v-if="free.length > 0"
      >{{ ' '
      }}<ChoiceValue
        label="One more that is mirrored"
        value=""
        :options="[{ value: '', words: '+' }, ...free]"
        @pick="(key: string) => edits.change('sources', (m) => void m.sources.push(sourceOf(key)))"
    /></template>
    across
    <ReflectionWords
      :reflection="mirror"
      :edits="reflection"
      :pattern-id="pattern.id"
      middle="the middle of what is mirrored"
      :others="true"
      :patterned="patterned"
    />
    <template #facts><LayoutFacts :outcome="outcome" /></template>
    <template #after>
      <ShapeAnswers v-if="mirror.what !== 'place'" :reflection="mirror" :edits="reflection" :shapes="shapes" />
      <MirrorTools :reflection="mirror" :edits="reflection" :pattern-id="pattern.id" />
    </template>
  </Step>
</template>

<style scoped>
.less {
  width: 18px;
  min-height: 24px;
  vertical-align: middle;
}
</style>
