<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { computed } from 'vue'
import { useSession } from '../stores/session'

/** Another window saved a newer revision: the person chooses which one stays. */
const session = useSession()
const shown = computed(() => session.state === 'conflict')
</script>

<template>
  <Dialog :visible="shown" modal :closable="false" header="Changed in another window" :style="{ width: '440px' }">
    <p>
      This project was saved from another window after this one read it. Keep what you see here, or take what was saved
      there. The other state is then gone.
    </p>
    <template #footer>
      <Button label="Take what was saved there" severity="secondary" variant="outlined" @click="session.takeTheirs()" />
      <Button label="Keep what is here" @click="session.keepMine()" />
    </template>
  </Dialog>
</template>
