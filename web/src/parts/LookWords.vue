<script setup lang="ts">
import type { Part } from '@hilera/core/model/part'
import { lookSentence } from '@hilera/core/parts/lookSentence'
import { bind } from '@hilera/core/sentences/bind'
import { knowledge } from '@hilera/core/sentences/knowledge'
import { computed } from 'vue'
import SentenceItems from '../sentences/SentenceItems.vue'
import { useDocument } from '../stores/document'
import { usePartSentence } from './partSentence'
import { usePictures } from './pictures'

/** How a part looks, on the stage and in the file. */
const props = defineProps<{ part: Part }>()
const document = useDocument()
const pictures = usePictures()
const edits = usePartSentence(() => props.part)
const items = computed(() =>
  bind(
    lookSentence,
    { root: props.part, into: (p: Part) => p },
    { knows: knowledge, project: document.project, unit: document.unit },
  ),
)
</script>

<template>
  <p class="part-sentence"><SentenceItems :items="items" :edits="edits" /></p>
  <p v-if="part.shape.kind !== 'light'" class="picture">
    <button type="button" class="aside" @click="pictures.choose(part)">
      {{ part.look.picture ? 'Lay on another picture' : 'Lay a picture on it' }}
    </button>
    <button
      v-if="part.look.picture"
      type="button"
      class="aside"
      @click="edits.change('picture', (p) => void delete p.look.picture)"
    >
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
