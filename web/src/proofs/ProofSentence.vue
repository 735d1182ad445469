<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import { storeToRefs } from 'pinia'
import SentenceItems from '../sentences/SentenceItems.vue'
import { useOwnSentence } from '../sentences/ownSentence'
import type { Channel } from './channels'
import { useProofs } from './proofs'
import { proofSentence } from './sentence'

/** What the sheet shows: how many variants of which pattern, and what changes from one to the next. */
const props = defineProps<{ pattern: Pattern; channel: Channel }>()
const proofs = useProofs()
const sentence = useOwnSentence(
  () =>
    proofSentence({
      patternId: props.pattern.id,
      channels: proofs.channels,
      channel: props.channel,
      across: proofs.across,
      setSecond: proofs.setSecond,
    }),
  storeToRefs(proofs).wish,
)
</script>

<template>
  <p class="sentence"><SentenceItems :items="sentence.items.value" :edits="sentence.edits" /></p>
</template>

<style scoped>
.sentence {
  margin: 0;
  font: 19px/1.7 var(--serif);
}
</style>
