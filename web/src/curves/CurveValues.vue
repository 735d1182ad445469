<script setup lang="ts">
import { edgeRuns } from '@hilera/core/curves/edges'
import { readSvg } from '@hilera/core/curves/svgFile'
import { partMesh } from '@hilera/core/parts/partMesh'
import type { Curve } from '@hilera/core/values/curve'
import { sentenceText } from '@hilera/core/numbers/format'
import type { Sentence } from '@hilera/core/words'
import { useFileDialog } from '@vueuse/core'
import { computed, ref } from 'vue'
import { addFont, fontNames, outlinesOf } from '../patterns/fonts'
import { useDocument } from '../stores/document'
import type { CurveEdits } from './curveEdits'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import { choiceOf, type CurveChoice, curveOptions, startCurve } from './curveWords'
import NumberValue from '../sentences/NumberValue.vue'
import TextValue from '../sentences/TextValue.vue'

/** A curve: its kind, its numbers, its points, its drawing or its lettering. */
const props = defineProps<{ curve: Curve; edits: CurveEdits }>()
const document = useDocument()
const curve = computed<Curve>(() => props.curve)
const problem = ref<string>()
const lettering = computed(() =>
  curve.value.kind === 'bezier' && curve.value.from.kind === 'text' ? curve.value.from : undefined,
)

/** An edit of one number of the present kind of curve. */
const set = (key: string) => (value: number) => props.edits.recipe((p) => void Object.assign(p.curve, { [key]: value }))
const read = (key: string): number => Number((curve.value as unknown as Record<string, unknown>)[key])
const numbers: Readonly<
  Partial<
    Record<
      Curve['kind'],
      readonly (readonly [
        key: string,
        label: string,
        quantity: 'length' | 'angle' | 'count' | 'factor',
        after: string,
      ])[]
    >
  >
> = {
  arc: [
    ['radius', 'Radius', 'length', 'in radius,'],
    ['angle', 'Angle', 'angle', 'round from'],
    ['start', 'Start angle', 'angle', ''],
  ],
  ellipse: [
    ['width', 'Width', 'length', 'wide,'],
    ['depth', 'Depth', 'length', 'deep'],
  ],
  polygon: [
    ['sides', 'Sides', 'count', 'sides, its corners'],
    ['radius', 'Radius', 'length', 'from the middle'],
  ],
  helix: [
    ['radius', 'Radius', 'length', 'in radius below,'],
    ['endRadius', 'Radius above', 'length', 'above,'],
    ['height', 'Height', 'length', 'high,'],
    ['turns', 'Turns', 'factor', 'turns'],
  ],
  spiral: [
    ['radius', 'Radius', 'length', 'in radius within,'],
    ['turns', 'Turns', 'factor', 'turns'],
  ],
}
const atLeast = (value: number): Sentence | undefined =>
  value > 0 ? undefined : ['This is more than 0. Type a larger number.']
const sides = (value: number): Sentence | undefined =>
  Number.isInteger(value) && value >= 3 && value <= 1000 ? undefined : ['A polygon has 3 to 1 000 sides.']
const checkFor = (key: string) =>
  key === 'sides' ? sides : ['angle', 'start', 'height'].includes(key) ? undefined : atLeast

const svg = useFileDialog({ accept: '.svg', multiple: false, reset: true })
svg.onChange(async (files) => {
  const file = files?.[0]
  if (!file) return
  const made = readSvg(await file.text(), file.name)
  problem.value = made.ok ? undefined : sentenceText(made.problem.says, document.unit)
  if (made.ok) change({ kind: 'bezier', runs: made.value, from: { kind: 'drawing', fileName: file.name.slice(-200) } })
})
const fontFile = useFileDialog({ accept: '.ttf,.otf,.woff', multiple: false, reset: true })
fontFile.onChange(async (files) => {
  const added = files?.[0] && (await addFont(files[0]))
  if (!added) return
  if (added.ok) await letter({ font: added.value })
  else problem.value = sentenceText(added.problem.says, document.unit)
})

async function change(next: Curve): Promise<void> {
  problem.value = undefined
  const refused = await props.edits.change('curve', (p) => void (p.curve = next))
  if (refused) problem.value = sentenceText(refused.says, document.unit)
}
async function letter(what: Partial<{ text: string; font: string; size: number }>): Promise<void> {
  const now = { text: 'TEA', font: 'Bebas Neue', size: 0.4, ...lettering.value, ...what, kind: 'text' as const }
  const made = await outlinesOf(now.text, now.font, now.size)
  if (made.ok) change({ kind: 'bezier', runs: made.value, from: now })
  else problem.value = sentenceText(made.problem.says, document.unit)
}
const edgePart = computed(() =>
  curve.value.kind === 'bezier' && curve.value.from.kind === 'edges' ? curve.value.from.part : undefined,
)
const partOptions = computed(() => document.project.parts.map((p) => ({ value: p.name, words: p.name })))
/** Follows the edges of the part of that name, as it is now. */
function follow(name: string): void {
  const part = document.project.parts.find((p) => p.name === name)
  const mesh = part && partMesh(part, document.source)
  if (!part || !mesh) return
  const made = edgeRuns(mesh, part.name)
  if (made.ok) change({ kind: 'bezier', runs: made.value, from: { kind: 'edges', part: part.name } })
  else problem.value = sentenceText(made.problem.says, document.unit)
}
function setChoice(choice: CurveChoice): void {
  if (choice === 'drawing') svg.open()
  else if (choice === 'edges') follow(edgePart.value ?? document.project.parts[0]?.name ?? '')
  else if (choice === 'text') void letter({})
  else change(startCurve(choice, curve.value))
}
const closed = computed(() => (curve.value.kind === 'points' ? curve.value.closed : false))
const closedOptions = [
  { value: 'no', words: 'open' },
  { value: 'yes', words: 'closed' },
]
const setClosed = (value: string): void =>
  void props.edits.change('curve', (p) => {
    if (p.curve.kind === 'points') p.curve.closed = value === 'yes'
  })
const growthOptions = [
  { value: 'add' as const, words: 'wider by' },
  { value: 'times' as const, words: 'wider, times' },
]
const growth = (value: 'add' | 'times'): void =>
  void props.edits.change(
    'curve',
    (p) => p.curve.kind === 'spiral' && Object.assign(p.curve, { growth: value, each: value === 'add' ? 0.1 : 1.5 }),
  )
const byOptions = [
  { value: 'length' as const, words: 'long' },
  { value: 'sag' as const, words: 'deep in its sag' },
]
const end = (axis: number) => (value: number) =>
  props.edits.recipe((p) => {
    if (p.curve.kind === 'catenary') p.curve.to[axis] = value
  })
const fontOptions = computed(() =>
  [...new Set([...fontNames(), ...(lettering.value ? [lettering.value.font] : [])])]
    .map((value) => ({ value, words: value }))
    .concat({ value: '', words: 'from a file…' }),
)
const setFont = (font: string): void => (font === '' ? fontFile.open() : void letter({ font }))
/** The size goes through the outlines, which a recipe cannot wait for: they are scaled, which is the same. */
const setSize = (size: number) =>
  props.edits.recipe((p) => {
    if (p.curve.kind !== 'bezier' || p.curve.from.kind !== 'text') return
    const by = size / p.curve.from.size
    for (const run of p.curve.runs) {
      run.start = run.start.map((n) => n * by) as typeof run.start
      run.pieces = run.pieces.map((piece) => piece.map((point) => point.map((n) => n * by))) as typeof run.pieces
    }
    p.curve.from.size = size
  })
</script>

<template>
  <ChoiceValue label="Curve" :value="choiceOf(curve)" :options="curveOptions" @pick="setChoice" />
  <template v-for="[key, label, quantity, after] in numbers[curve.kind] ?? []" :key="key"
    >{{ ' '
    }}<NumberValue
      :value="read(key)"
      :quantity="quantity"
      :label="label"
      :undo="edits.name('curve')"
      :check="checkFor(key)"
      :edit="set(key)"
    />
    {{ after }}</template
  ><template v-if="curve.kind === 'spiral'"
    >, each <ChoiceValue label="Growth" :value="curve.growth" :options="growthOptions" @pick="growth" />{{ ' '
    }}<NumberValue
      :value="curve.each"
      :quantity="curve.growth === 'add' ? 'length' : 'factor'"
      label="Growth of a turn"
      :undo="edits.name('curve')"
      :edit="set('each')" /></template
  ><template v-if="curve.kind === 'catenary'">
    to
    <NumberValue
      v-for="(name, i) in ['across', 'up', 'deep']"
      :key="name"
      :value="curve.to[i]"
      quantity="length"
      state="free"
      :label="`End ${name}`"
      :undo="edits.name('curve')"
      :edit="end(i)" />,
    <NumberValue
      :value="curve.value"
      quantity="length"
      label="Chain"
      :undo="edits.name('curve')"
      :edit="set('value')" />{{ ' '
    }}<ChoiceValue
      label="Chain by"
      :value="curve.by"
      :options="byOptions"
      @pick="
        (by: 'length' | 'sag') =>
          edits.change(
            'curve',
            (p) => p.curve.kind === 'catenary' && Object.assign(p.curve, { by, value: by === 'length' ? 2.4 : 0.4 }),
          )
      " /></template
  ><template v-if="curve.kind === 'points'"
    >, <span class="figure">{{ curve.points.length }}</span> of them,
    <ChoiceValue label="Closed" :value="closed ? 'yes' : 'no'" :options="closedOptions" @pick="setClosed" /></template
  ><template v-if="curve.kind === 'bezier' && curve.from.kind === 'drawing'"
    >{{ ' ' }}<span class="file">{{ curve.from.fileName }}</span></template
  ><template v-if="edgePart !== undefined"
    >{{ ' '
    }}<ChoiceValue label="Part with the edges" :value="edgePart" :options="partOptions" @pick="follow" /></template
  ><template v-if="lettering">
    “<TextValue :text="lettering.text" label="Lettering" @change="(text) => letter({ text })" />” in
    <ChoiceValue label="Font" :value="lettering.font" :options="fontOptions" @pick="setFont" />,
    <NumberValue
      :value="lettering.size"
      quantity="length"
      label="Letter size"
      :undo="edits.name('curve')"
      :check="atLeast"
      :edit="setSize"
    />
    to the em</template
  ><span v-if="problem" class="problem" role="alert">{{ problem }}</span>
</template>

<style scoped>
.file {
  font: 500 13px var(--sans);
}
.problem {
  display: block;
  margin: 4px 0;
  padding: 5px 8px;
  background: var(--vermilion-wash);
  color: var(--vermilion);
  font: 12px/1.4 var(--sans);
  border-radius: 5px;
}
</style>
