<script setup lang="ts">
import Button from 'primevue/button'
import { useToast } from 'primevue/usetoast'
import { ref, watch } from 'vue'
import { saidBy } from '../faults'
import FindCommand from '../commands/FindCommand.vue'
import KeySheet from '../commands/KeySheet.vue'
import { useCommands } from '../commands/commands'
import { useCopyText } from '../texts/copyText'
import { useKeys } from '../commands/useKeys'
import { useOutcomes } from '../stores/outcomes'
import { useSession } from '../stores/session'
import { useKeptWhileWorking } from '../versions/keepBefore'
import { useLeftBehind } from '../versions/leftBehind'
import SwapDialog from '../links/SwapDialog.vue'
import { askedFor } from './askedFor'
import { useNotFetched } from './notFetched'
import ConflictDialog from './ConflictDialog.vue'
import Rail from './Rail.vue'
import TopBar from './TopBar.vue'

/** One project: the bar at the top, the rail in the order of the work, and the screen. */
const props = defineProps<{ id: string }>()
const session = useSession()
const outcomes = useOutcomes()
const opened = ref(false)
const problem = ref<string>()
const dialogs = askedFor()
useLeftBehind()
useNotFetched()
useKeptWhileWorking()
useKeys()

const commands = useCommands()
const toast = useToast()
watch(
  () => commands.told,
  (told) => told && toast.add({ severity: 'info', detail: told.words, life: 6000 }),
)
const texts = useCopyText()
watch(
  () => texts.copied,
  (copied) => {
    if (!copied) return
    const { ok, summary, detail } = copied
    toast.add({ severity: ok ? 'success' : 'error', summary, detail, life: ok ? 4000 : 8000 })
  },
)

async function open(): Promise<void> {
  opened.value = false
  problem.value = undefined
  outcomes.begin()
  try {
    await session.open(props.id)
    opened.value = true
  } catch (fault) {
    problem.value = saidBy(fault)
  }
}
watch(() => props.id, open, { immediate: true })
</script>

<template>
  <div v-if="problem" class="instead">
    <h1>The project did not open</h1>
    <p>{{ problem }}</p>
    <RouterLink to="/" class="back">All projects</RouterLink>
    <Button label="Try again" severity="secondary" variant="outlined" @click="open" />
  </div>
  <div v-else class="shell">
    <TopBar />
    <Rail :id="id" />
    <main v-if="opened"><RouterView /></main>
    <main v-else class="instead" aria-busy="true"><p>Opening the project…</p></main>
    <ConflictDialog />
    <FindCommand />
    <KeySheet />
    <SwapDialog />
    <component :is="dialog" v-for="(dialog, i) in dialogs" :key="i" />
  </div>
</template>

<style scoped>
.shell {
  display: grid;
  grid-template: 46px minmax(0, 1fr) / 60px minmax(0, 1fr);
  height: 100%;
}
.shell > :first-child {
  grid-column: 1 / -1;
}
main {
  min-width: 0;
  min-height: 0;
}
.instead {
  display: grid;
  place-content: center;
  justify-items: center;
  gap: 12px;
  height: 100%;
  color: var(--soft);
}
.back {
  color: var(--madder);
}
</style>
