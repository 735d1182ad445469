<script setup lang="ts">
import Button from 'primevue/button'
import { useDocument } from '../stores/document'

/** What is only proposed is accepted or left; Enter and Esc do it, too. */
defineProps<{ patternId: string }>()
const document = useDocument()
</script>

<template>
  <div v-if="document.proposal?.patternId === patternId" class="proposed" role="status">
    <span>Only proposed as yet</span>
    <Button label="Leave it" severity="secondary" variant="outlined" size="small" @click="document.leave()" />
    <Button label="Accept" size="small" @click="document.accept()" />
  </div>
</template>

<style scoped>
.proposed {
  display: flex;
  align-items: center;
  gap: 8px;
  margin: 4px 0 8px;
  padding: 7px 10px;
  border-radius: 8px;
  background: var(--madder-wash);
  color: var(--madder);
  font-size: 12px;
}
.proposed span {
  flex: 1;
}
</style>
