<script setup lang="ts">
import type { Look, Part } from '@hilera/core/model/part'
import type { Sentence } from '@hilera/core/words'
import { computed } from 'vue'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import ColorValue from '../sentences/ColorValue.vue'
import NumberValue from '../sentences/NumberValue.vue'
import { useDocument } from '../stores/document'
import { usePartEdits } from './partEdits'
import { usePictures } from './pictures'

/** How a part looks, on the stage and in the file. */
const props = defineProps<{ part: Part }>()
const document = useDocument()
const edits = usePartEdits()
const pictures = usePictures()

const look = computed(() => props.part.look)
const isLight = computed(() => props.part.shape.kind === 'light')
const undo = (what: string): string => `${what} of ${props.part.name}`
const set = (key: 'roughness' | 'metal' | 'glow') => (value: number) =>
  edits.recipe(props.part.id, (p) => {
    if (key === 'glow' && value === 0) delete p.look.glow
    else p.look[key] = value
  })
const share = (value: number): Sentence | undefined =>
  value >= 0 && value <= 1 ? undefined : ['Type a share from 0 to 100 %.']
const change = (what: string, edit: (look: Look) => void): void =>
  void document.change(
    undo(what),
    edits.recipe(props.part.id, (p) => edit(p.look)),
  )
const setColor = (color: string): void => change('colour', (l) => void (l.color = color))

const shadowOptions = [
  { value: 'yes', words: 'casts a shadow' },
  { value: 'no', words: 'casts no shadow' },
]
const shadingOptions = [
  { value: 'smooth', words: 'smooth' },
  { value: 'faceted', words: 'faceted' },
]
const grainOptions = [
  { value: 'no', words: 'no grain' },
  { value: 'yes', words: 'a grain' },
]
const setShadow = (value: string): void =>
  change('shadow', (l) => {
    if (value === 'no') l.shadow = false
    else delete l.shadow
  })
const setShading = (value: string): void =>
  change('shading', (l) => {
    if (value === 'faceted') l.faceted = true
    else delete l.faceted
  })
const setGrain = (value: string): void =>
  change('grain', (l) => {
    if (value === 'yes') l.grain = { turn: Math.PI / 2, width: 0.01 }
    else delete l.grain
  })
</script>

<template>
  <p class="part-sentence">
    Its colour is
    <ColorValue :color="look.color" label="Colour" @pick="setColor" /><template v-if="isLight">.</template
    ><template v-else
      >,
      <NumberValue
        :value="look.roughness"
        quantity="share"
        state="free"
        label="Roughness"
        :undo="undo('roughness')"
        :check="share"
        :edit="set('roughness')"
      />
      rough,
      <NumberValue
        :value="look.metal"
        quantity="share"
        state="free"
        label="Metal"
        :undo="undo('metal')"
        :check="share"
        :edit="set('metal')"
      />
      metal, glowing
      <NumberValue
        :value="look.glow ?? 0"
        quantity="share"
        state="free"
        label="Glow"
        :undo="undo('glow')"
        :check="share"
        :edit="set('glow')"
      />. It is
      <ChoiceValue
        label="Shading"
        :value="look.faceted ? 'faceted' : 'smooth'"
        :options="shadingOptions"
        @pick="setShading"
      />,
      <ChoiceValue
        label="Shadow"
        :value="look.shadow === false ? 'no' : 'yes'"
        :options="shadowOptions"
        @pick="setShadow"
      />, and has
      <ChoiceValue label="Grain" :value="look.grain ? 'yes' : 'no'" :options="grainOptions" @pick="setGrain" /><template
        v-if="look.grain"
      >
        turned
        <NumberValue
          :value="look.grain.turn"
          quantity="angle"
          state="free"
          label="Grain angle"
          :undo="undo('grain')"
          :edit="(n) => edits.recipe(part.id, (p) => void (p.look.grain!.turn = n))" />
        from across, in stripes of
        <NumberValue
          :value="look.grain.width"
          quantity="length"
          state="free"
          label="Grain width"
          :undo="undo('grain')"
          :check="(n) => (n > 0 ? undefined : ['Stripes have a width: type more than 0.'])"
          :edit="(n) => edits.recipe(part.id, (p) => void (p.look.grain!.width = n))" /></template
      >.
    </template>
  </p>
  <p v-if="!isLight" class="picture">
    <button type="button" class="aside" @click="pictures.choose(part)">
      {{ look.picture ? 'Lay on another picture' : 'Lay a picture on it' }}
    </button>
    <button v-if="look.picture" type="button" class="aside" @click="change('picture', (l) => void delete l.picture)">
      Take the picture off
    </button>
  </p>
</template>

<style scoped>
.picture {
  display: flex;
  gap: 14px;
  margin: 0 0 6px;
}
</style>
