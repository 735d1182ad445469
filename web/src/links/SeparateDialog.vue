<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { computed } from 'vue'
import Words from '../sentences/Words.vue'
import { useSeparateEdits } from './separateEdits'

/** Says what is lost before the copies of a pattern become separate. */
const pattern = defineModel<Pattern | undefined>({ required: true })
const edits = useSeparateEdits()
const lost = computed(() => pattern.value && edits.loses(pattern.value))
function accept(): void {
  if (pattern.value) edits.separate(pattern.value)
  pattern.value = undefined
}
</script>

<template>
  <Dialog
    :visible="!!pattern"
    modal
    :header="`Separate the copies of ${pattern?.name ?? ''}`"
    :style="{ width: '460px' }"
    @update:visible="(shown: boolean) => !shown && (pattern = undefined)"
  >
    <template v-if="lost?.ok">
      <p>Each copy gets a place of its own where it stands, still linked to its part. What is lost:</p>
      <ul>
        <li v-for="(sentence, i) in lost.value" :key="i"><Words :sentence="sentence" /></li>
      </ul>
      <p class="note">
        The pattern can be brought back as it is now; what is done to the copies until then is lost with it.
      </p>
    </template>
    <p v-else-if="lost" role="alert"><Words :sentence="lost.problem.says" /></p>
    <template #footer>
      <Button label="Leave it a pattern" severity="secondary" variant="outlined" @click="pattern = undefined" />
      <Button label="Make them separate" :disabled="!lost?.ok" @click="accept" />
    </template>
  </Dialog>
</template>
