<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { useSession } from '../stores/session'

/** Another window saved a newer revision: the person chooses which one stays. */
const session = useSession()
const router = useRouter()
async function both(): Promise<void> {
  const id = await session.keepBoth()
  if (id) await router.push({ name: 'arrange', params: { id } })
}
const shown = computed(() => session.state === 'conflict')
</script>

<template>
  <Dialog :visible="shown" modal :closable="false" header="Changed in another window" :style="{ width: '560px' }">
    <p>
      This project was saved from another window after this one read it. Keep what you see here, take what was saved
      there, or keep both: what you see here then becomes a project of its own.
    </p>
    <template #footer>
      <Button label="Take what was saved there" severity="secondary" variant="outlined" @click="session.takeTheirs()" />
      <Button label="Keep both" severity="secondary" variant="outlined" @click="both" />
      <Button label="Keep what is here" @click="session.keepMine()" />
    </template>
  </Dialog>
</template>
