<script setup lang="ts">
import { type FileUnit, fileUnits, isSolid, type LightKind, lightKinds, type Part } from '@hilera/core/model/part'
import type { Solid } from '@hilera/core/solids/schema'
import { formatNumber } from '@hilera/core/numbers/format'
import { plural, type Sentence } from '@hilera/core/words'
import { computed } from 'vue'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import CurveValues from '../curves/CurveValues.vue'
import NumberValue from '../sentences/NumberValue.vue'
import { type SolidNumber, solidWords } from '../sentences/solidWords'
import { useDocument } from '../stores/document'
import { useSelection } from '../stores/selection'
import { useImport } from './importFile'
import { usePartEdits } from './partEdits'

/** What a part is, told as a sentence with its numbers edited in place. */
const props = defineProps<{ part: Part }>()
const document = useDocument()
const selection = useSelection()
const edits = usePartEdits()
const { setUnit } = useImport()

const solid = computed<Solid | undefined>(() => (isSolid(props.part.shape) ? props.part.shape : undefined))
const told = computed(() => solid.value && solidWords[solid.value.kind])
const shape = computed(() => props.part.shape)
const undo = (what: string): string => `${what.toLowerCase()} of ${props.part.name}`
const aboveZero =
  (number: { zero?: boolean } = {}) =>
  (value: number): Sentence | undefined =>
    value > 0 || (number.zero && value === 0)
      ? undefined
      : ['A part’s sizes are more than 0. Type a length such as ', { length: 0.05 }, '.']
const set = (number: SolidNumber) => (value: number) => edits.solidRecipe(props.part.id, (s) => number.write(s, value))

const curveEdits = {
  name: undo,
  recipe: (edit: (holder: { curve: Extract<Solid, { kind: 'tube' }>['curve'] }) => void) =>
    edits.solidRecipe(props.part.id, (s) => {
      if (s.kind === 'tube' || s.kind === 'extrusion') edit(s)
    }),
  change: (what: string, edit: (holder: { curve: Extract<Solid, { kind: 'tube' }>['curve'] }) => void) =>
    document.change(undo(what), curveEdits.recipe(edit)),
}

/** Bent, twisted, tapered or with other sides; what is as it was made is not kept. */
const form = (key: 'segments' | 'taper' | 'bend' | 'twist', plain: number) => (value: number) =>
  edits.recipe(props.part.id, (p) => {
    const next = { ...p.form, [key]: value }
    if (value === plain) delete next[key]
    if (Object.keys(next).length > 0) p.form = next
    else delete p.form
  })
/** Segments round, as a solid is made; others have none. */
const sides: Partial<Record<Solid['kind'], number>> = {
  cylinder: 48,
  cone: 48,
  sphere: 48,
  capsule: 48,
  torus: 48,
  lathe: 48,
  tube: 16,
}
const sidesCheck = (n: number): Sentence | undefined =>
  Number.isInteger(n) && n >= 3 && n <= 256 ? undefined : ['Type a whole number from 3 to 256.']
const taperCheck = (n: number): Sentence | undefined =>
  n > 0 ? undefined : ['The top keeps some size: type more than 0 %.']
const bendCheck = (n: number): Sentence | undefined =>
  Math.abs(n) <= 4 * Math.PI ? undefined : ['Type a bend of up to two turns, ', { angle: 4 * Math.PI }, '.']

const twistCheck = (n: number): Sentence | undefined =>
  Math.abs(n) <= 20 * Math.PI ? undefined : ['Type a twist of up to ten turns, ', { angle: 20 * Math.PI }, '.']

const unitWords: Record<FileUnit, string> = {
  mm: 'millimetres',
  cm: 'centimetres',
  m: 'metres',
  in: 'inches',
  ft: 'feet',
}
const unitOptions = fileUnits.map((value) => ({ value, words: unitWords[value] }))
const lookOptions = [
  { value: 'file' as const, words: 'the file’s own' },
  { value: 'part' as const, words: 'that of the part' },
]
const lightWords: Record<LightKind, string> = {
  point: 'shines all round',
  spot: 'shines down in a cone',
  sun: 'is a sun that shines down',
}
const lightOptions = lightKinds.map((value) => ({ value, words: lightWords[value] }))
const setLight = (light: LightKind): void =>
  void document.change(
    undo('light'),
    edits.shapeRecipe(props.part.id, 'light', (l) => void (l.light = light)),
  )
const angleCheck = (n: number): Sentence | undefined =>
  n > 0 && n <= Math.PI ? undefined : ['A cone opens by up to 180°: type an angle such as 60°.']
const mirrored = computed(() =>
  shape.value.kind === 'twin'
    ? document.project.parts.find((p) => shape.value.kind === 'twin' && p.id === shape.value.of)
    : undefined,
)
</script>

<template>
  <p class="part-sentence">
    <template v-if="solid && told">
      {{ told.words }}
      <template v-for="(n, i) in told.numbers" :key="n.label"
        ><NumberValue
          :value="n.read(solid)"
          quantity="length"
          :label="n.label"
          :undo="undo(n.label)"
          :check="aboveZero(n)"
          :edit="set(n)"
        />
        {{ n.after }}{{ i < told.numbers.length - 1 ? ', ' : '' }}</template
      ><template v-if="solid.kind === 'tube' || solid.kind === 'extrusion'"
        >, {{ solid.kind === 'tube' ? 'along' : 'from' }}
        <CurveValues :curve="solid.curve" :edits="curveEdits" /></template
      >{{ solid.kind === 'tube' ? '.' : ', standing on its base.' }} It has
      <template v-if="sides[solid.kind]"
        ><NumberValue
          :value="part.form?.segments ?? sides[solid.kind]!"
          quantity="count"
          state="free"
          label="Segments"
          :undo="undo('segments')"
          :check="sidesCheck"
          :edit="form('segments', sides[solid.kind]!)"
        />
        segments round, </template
      >a top of
      <NumberValue
        :value="part.form?.taper ?? 1"
        quantity="share"
        state="free"
        label="Taper"
        :undo="undo('taper')"
        :check="taperCheck"
        :edit="form('taper', 1)"
      />
      of its base, a twist of
      <NumberValue
        :value="part.form?.twist ?? 0"
        quantity="angle"
        state="free"
        label="Twist"
        :undo="undo('twist')"
        :check="twistCheck"
        :edit="form('twist', 0)"
      />, and a bend of
      <NumberValue
        :value="part.form?.bend ?? 0"
        quantity="angle"
        state="free"
        label="Bend"
        :undo="undo('bend')"
        :check="bendCheck"
        :edit="form('bend', 0)"
      />.
    </template>
    <template v-else-if="shape.kind === 'mesh'">
      A mesh from <span class="file">{{ shape.fileName }}</span><template v-if="shape.mesh !== undefined"
        >, number <span class="figure">{{ shape.mesh + 1 }}</span></template
      >, <span class="figure">{{ formatNumber(shape.triangles, 0) }}</span> triangles; its numbers are read as
      <ChoiceValue
        label="Unit of the file"
        :value="shape.unit"
        :options="unitOptions"
        @pick="(unit: FileUnit) => setUnit(part, unit)"
      />, its look is
      <ChoiceValue
        label="Looks of the file"
        :value="shape.looks ?? 'file'"
        :options="lookOptions"
        @pick="
          (looks: 'file' | 'part') =>
            document.change(
              undo('look'),
              edits.shapeRecipe(part.id, 'mesh', (m) => void (m.looks = looks)),
            )
        "
      />.
    </template>
    <template v-else-if="shape.kind === 'light'">
      A light that <ChoiceValue label="Light" :value="shape.light" :options="lightOptions" @pick="setLight" />, with
      <NumberValue
        :value="shape.brightness"
        quantity="factor"
        label="Brightness"
        :undo="undo('brightness')"
        :check="(n) => (n > 0 ? undefined : ['A light has some brightness: type more than 0.'])"
        :edit="(n) => edits.shapeRecipe(part.id, 'light', (l) => void (l.brightness = n))"
      />
      {{ shape.light === 'sun' ? 'lux' : 'candela'
      }}<template v-if="shape.light === 'spot'"
        >, open by
        <NumberValue
          :value="shape.angle"
          quantity="angle"
          label="Cone"
          :undo="undo('cone')"
          :check="angleCheck"
          :edit="(n) => edits.shapeRecipe(part.id, 'light', (l) => void (l.angle = n))" /></template
      >.
    </template>
    <template v-else-if="shape.kind === 'placeholder'">
      A placeholder
      <NumberValue
        v-for="key in ['width', 'height', 'depth'] as const"
        :key="key"
        :value="shape[key]"
        quantity="length"
        :label="key[0].toUpperCase() + key.slice(1)"
        :undo="undo(key)"
        :check="aboveZero()"
        :edit="(n) => edits.shapeRecipe(part.id, 'placeholder', (s) => void (s[key] = n))"
      />
      wide, tall and deep; it keeps a place and is never exported.
    </template>
    <template v-else-if="shape.kind === 'twin' && mirrored">
      The mirror image of
      <button type="button" class="link" @click="selection.pickPart(mirrored.id)">{{ mirrored.name }}</button>, made
      from it: what is changed there arrives here mirrored.
    </template>
    <template v-else-if="shape.kind === 'assembly'">
      An assembly of <span class="figure">{{ shape.members.length }}</span>
      {{ plural(shape.members.length, 'part', 'parts') }}.
    </template>
  </p>
</template>

<style scoped>
.file {
  font: 500 13px var(--sans);
}
.link {
  border: 0;
  padding: 2px 0;
  background: none;
  font: 500 13.5px var(--sans);
  text-decoration: underline dotted;
  text-underline-offset: 3px;
  cursor: pointer;
}
.link:hover {
  color: var(--madder);
}
</style>
