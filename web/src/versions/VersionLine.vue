<script setup lang="ts">
import type { VersionCard } from '@hilera/server/api'
import { EllipsisVertical } from '@lucide/vue'
import Menu from 'primevue/menu'
import { computed, ref, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import NameField from '../shell/NameField.vue'
import { useVersions } from './versions'

/** One version in their line: its number, its note, when it was kept, and its picture. */
const props = defineProps<{ version: VersionCard; picked: boolean }>()
const versions = useVersions()
const router = useRouter()
const menu = useTemplateRef<InstanceType<typeof Menu>>('menu')
const shown = ref(true)
const when = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
const at = computed(() => when.format(new Date(props.version.createdAt)))
const items = [
  {
    label: 'Duplicate as a project',
    command: async () => {
      const id = await versions.duplicate(props.version.id)
      if (id) await router.push({ name: 'arrange', params: { id } })
    },
  },
  { label: 'Remove', command: () => versions.remove(props.version.id) },
]
</script>

<template>
  <li :class="{ picked, small: version.byItself }">
    <button
      type="button"
      class="number figure"
      :aria-pressed="picked"
      :aria-label="`Compare version ${version.number} with now`"
      @click="versions.compare(version.id)"
    >
      {{ version.byItself ? '' : version.number }}
    </button>
    <div class="words">
      <span v-if="version.byItself" class="note">{{ version.note }}</span>
      <NameField
        v-else
        :name="version.note || `Version ${version.number}`"
        label="Note of the version"
        @rename="(to: string) => versions.note(version.id, to)"
      />
      <span class="note">{{ version.byItself ? `kept by itself, ${at}` : at }}</span>
    </div>
    <img v-if="version.picture && shown" :src="version.picture" alt="" @error="shown = false" />
    <button
      type="button"
      class="more"
      aria-haspopup="menu"
      :aria-label="`More for version ${version.number}`"
      @click="menu?.toggle($event)"
    >
      <EllipsisVertical :size="15" aria-hidden="true" />
    </button>
    <Menu ref="menu" :model="items" popup />
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 30px minmax(0, 1fr) auto 24px;
  align-items: center;
  gap: 10px;
  padding: 8px 4px 8px 8px;
  border-radius: 6px;
}
li.picked {
  background: var(--madder-wash);
}
.number {
  width: 28px;
  height: 28px;
  border: 1px solid var(--ink);
  border-radius: 50%;
  background: var(--card);
  color: var(--ink);
  cursor: pointer;
}
.small .number {
  width: 14px;
  height: 14px;
  margin: 7px;
  border-color: var(--edge);
}
.picked .number {
  border-color: var(--madder);
  background: var(--madder);
  color: var(--card);
}
.words {
  display: grid;
  min-width: 0;
}
.words :deep(button) {
  overflow-wrap: anywhere;
  white-space: normal;
  text-align: left;
}
img {
  width: 64px;
  height: 40px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  object-fit: cover;
}
.more {
  width: 24px;
  height: 28px;
  border: 0;
  padding: 0;
  background: none;
  color: var(--soft);
  cursor: pointer;
}
</style>
