<script setup lang="ts">
import type { Part } from '@hilera/core/model/part'
import type { Sentence } from '@hilera/core/words'
import { computed } from 'vue'
import NumberValue from '../sentences/NumberValue.vue'
import { usePartEdits } from './partEdits'

/** The points of a turned profile. */
const props = defineProps<{ part: Part }>()
const edits = usePartEdits()
const profile = computed(() => (props.part.shape.kind === 'lathe' ? props.part.shape.profile : []))
const set = (i: number, key: 'radius' | 'height') => (value: number) =>
  edits.shapeRecipe(props.part.id, 'lathe', (s) => void (s.profile[i][key] = value))
const notBelow = (value: number): Sentence | undefined => (value >= 0 ? undefined : ['A radius is 0 or more.'])
</script>

<template>
  <details v-if="profile.length > 0" class="more">
    <summary>Profile, {{ profile.length }} points</summary>
    <div class="profile">
      <span class="note">radius</span><span class="note">height</span>
      <template v-for="(p, i) in profile" :key="i">
        <NumberValue
          :value="p.radius"
          quantity="length"
          state="free"
          :label="`Radius of point ${i + 1}`"
          :undo="`profile of ${part.name}`"
          :check="notBelow"
          :edit="set(i, 'radius')"
        />
        <NumberValue
          :value="p.height"
          quantity="length"
          state="free"
          :label="`Height of point ${i + 1}`"
          :undo="`profile of ${part.name}`"
          :edit="set(i, 'height')"
        />
      </template>
    </div>
  </details>
</template>

<style scoped>
.profile {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 2px 12px;
  max-height: 180px;
  overflow: auto;
  margin-bottom: 6px;
}
</style>
