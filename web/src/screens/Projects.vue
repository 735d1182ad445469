<script setup lang="ts">
import { formatNumber } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import type { ProjectCard } from '@hilera/server/api'
import { EllipsisVertical } from '@lucide/vue'
import { useDropZone, useFileDialog } from '@vueuse/core'
import Button from 'primevue/button'
import Menu from 'primevue/menu'
import { computed, ref, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import { saidBy } from '../faults'
import { useToldRefusal } from '../shell/toldRefusal'
import { api } from '../api/client'
import { bytesText } from '../export/bytesText'
import { bringAlong } from '../shell/broughtAlong'
import DropNote from '../shell/DropNote.vue'
import Mark from '../shell/Mark.vue'

const router = useRouter()
const refuse = useToldRefusal()
const cards = ref<ProjectCard[]>()
const binned = ref<ProjectCard[]>([])
const problem = ref<string>()
const busy = ref(false)
const menu = useTemplateRef<InstanceType<typeof Menu>>('menu')
const menuFor = ref<ProjectCard>()

async function list(): Promise<void> {
  try {
    ;[cards.value, binned.value] = await Promise.all([api.listProjects(), api.listBin()])
    problem.value = undefined
  } catch (fault) {
    problem.value = saidBy(fault)
  }
}
void list()

/** Does something on the server and says so when it cannot be done. */
async function attempt(work: () => Promise<unknown>): Promise<void> {
  busy.value = true
  try {
    await work()
  } catch (fault) {
    refuse(saidBy(fault))
  } finally {
    busy.value = false
  }
}
const enter = (id: string) => router.push({ name: 'arrange', params: { id } })
const create = (from: 'nothing' | 'demo' | 'terrace' | 'supplier') =>
  attempt(async () => enter((await api.createProject({ from })).id))

/** A project file is opened; meshes and drawings make a project of their own. */
async function take(dropped: readonly File[]): Promise<void> {
  const project = dropped.find((file) => /\.hilera$/i.test(file.name))
  if (project) return open(project)
  await attempt(async () => {
    const { id } = await api.createProject({ from: 'nothing' })
    bringAlong(dropped)
    await enter(id)
  })
}
const screen = useTemplateRef<HTMLElement>('screen')
const { isOverDropZone } = useDropZone(screen, (dropped) => void (dropped && !busy.value && take(dropped)))

const files = useFileDialog({ accept: '.hilera', multiple: false, reset: true })
const open = (file: File) =>
  attempt(async () => enter(await (await import('../api/projectFile')).openProjectFile(file)))
files.onChange((chosen) => chosen?.[0] && void open(chosen[0]))

const items = computed(() => {
  const card = menuFor.value
  if (!card) return []
  return [
    { label: 'Open', command: () => void enter(card.id) },
    {
      label: 'Duplicate',
      command: () => void attempt(async () => (await api.duplicateProject(card.id), await list())),
    },
    {
      label: 'Put into the bin',
      command: () => void attempt(async () => (await api.binProject(card.id), await list())),
    },
  ]
})
/** Asked once more, for it cannot be undone. */
const emptying = ref(false)
const emptyBin = () => attempt(async () => (await api.emptyBin(), (emptying.value = false), await list()))
const restore = (card: ProjectCard) => attempt(async () => (await api.restoreProject(card.id), await list()))
function openMenu(event: Event, card: ProjectCard): void {
  menuFor.value = card
  menu.value?.toggle(event)
}

const day = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' })
</script>

<template>
  <div ref="screen" class="screen">
    <header class="bar"><Mark /></header>
    <main>
      <div class="head">
        <h1>Projects</h1>
        <Button
          label="Start from the demo"
          severity="secondary"
          variant="outlined"
          :disabled="busy"
          @click="create('demo')"
        />
        <Button
          label="A terrace, to settle on"
          severity="secondary"
          variant="outlined"
          title="Stools clicked on a floor plan, on a slope with a deck; boats on a wave"
          :disabled="busy"
          @click="create('terrace')"
        />
        <Button
          label="A file received, to fold"
          severity="secondary"
          variant="outlined"
          title="640 separate meshes that are really three shapes"
          :disabled="busy"
          @click="create('supplier')"
        />
        <Button label="Open a file" severity="secondary" variant="outlined" :disabled="busy" @click="files.open()" />
        <Button label="New project" :disabled="busy" @click="create('nothing')" />
      </div>
      <p class="what">
        Hilera sets out repeated things in rows, rings, grids, along paths and over areas, with every gap exact.
      </p>
      <p v-if="problem" class="away" role="alert">
        {{ problem }} <Button label="Try again" size="small" severity="secondary" variant="outlined" @click="list" />
      </p>
      <p v-else-if="cards?.length === 0" class="none">
        No project yet. Begin with a new one, open a <span class="figure">.hilera</span> file, or look at the demo: a
        tea counter set out in tins.
      </p>
      <ul v-if="cards" class="cards">
        <li v-for="card in cards" :key="card.id" class="card">
          <RouterLink :to="{ name: 'arrange', params: { id: card.id } }">
            <img v-if="card.picture" :src="card.picture" :alt="`Picture of ${card.name}`" loading="lazy" />
            <span v-else class="blank note">Drawn when it is first opened</span>
            <span class="name">{{ card.name }}</span>
          </RouterLink>
          <p class="note">
            <span class="figure">{{ card.picture ? formatNumber(card.copies, 0) : '–' }}</span>
            {{ plural(card.copies, 'copy', 'copies') }} · <span class="figure">{{ card.parts }}</span>
            {{ plural(card.parts, 'part', 'parts') }} · <span class="figure">{{ bytesText(card.bytes) }}</span> ·
            {{ day.format(new Date(card.changedAt)) }}
          </p>
          <button
            type="button"
            class="more"
            :aria-label="`More for ${card.name}`"
            aria-haspopup="menu"
            @click="openMenu($event, card)"
          >
            <EllipsisVertical :size="16" />
          </button>
        </li>
      </ul>
      <details v-if="binned.length > 0" class="bin">
        <summary>In the bin: {{ binned.length }}</summary>
        <p class="note">
          They stay for 30 days.
          <Button
            :label="emptying ? `Remove ${binned.length} for good` : 'Empty the bin'"
            size="small"
            severity="secondary"
            variant="text"
            @click="emptying ? emptyBin() : (emptying = true)"
          />
          <Button
            v-if="emptying"
            label="Keep them"
            size="small"
            severity="secondary"
            variant="text"
            @click="emptying = false"
          />
        </p>
        <ul>
          <li v-for="card in binned" :key="card.id">
            {{ card.name }} <span class="note">{{ day.format(new Date(card.changedAt)) }}</span>
            <Button label="Bring back" size="small" severity="secondary" variant="text" @click="restore(card)" />
          </li>
        </ul>
      </details>
      <Menu ref="menu" :model="items" popup />
    </main>
    <DropNote v-if="isOverDropZone" words="Drop a project to open it, a mesh or a drawing to begin with it" />
  </div>
</template>

<style scoped>
.screen {
  position: relative;
  min-height: 100%;
}
.bar {
  height: 46px;
  display: flex;
  align-items: center;
  padding: 0 14px;
  background: var(--card);
  border-bottom: 1px solid var(--rule);
}
main {
  max-width: 1180px;
  margin: 0 auto;
  padding: 28px 32px 60px;
}
.head {
  display: flex;
  align-items: center;
  gap: 8px;
}
h1 {
  flex: 1;
  font-size: 30px;
}
.what {
  margin: 4px 0 22px;
  color: var(--soft);
}
.cards {
  list-style: none;
  padding: 0;
  margin: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
  gap: 18px;
}
.card {
  position: relative;
  background: var(--card);
  border: 1px solid var(--rule);
  border-radius: 8px;
  overflow: hidden;
}
.card:hover {
  border-color: var(--edge);
}
.card a {
  display: block;
  color: inherit;
  text-decoration: none;
}
img,
.blank {
  display: grid;
  place-content: center;
  width: 100%;
  aspect-ratio: 420 / 262;
  object-fit: cover;
  background: var(--stage);
}
.name {
  display: block;
  padding: 10px 36px 0 14px;
  font: 500 17px var(--serif);
}
.card p.note {
  margin: 2px 14px 12px;
}
.more {
  position: absolute;
  right: 6px;
  bottom: 48px;
  display: grid;
  place-content: center;
  width: 28px;
  height: 28px;
  border: 0;
  border-radius: 6px;
  background: none;
  color: var(--soft);
  cursor: pointer;
}
.more:hover {
  background: var(--madder-wash);
}
.away {
  color: var(--vermilion);
}
.none {
  font: 17px/1.5 var(--serif);
  color: var(--soft);
  max-width: 46ch;
}
.bin {
  margin-top: 30px;
  color: var(--soft);
}
.bin ul {
  list-style: none;
  padding: 0;
}
</style>
