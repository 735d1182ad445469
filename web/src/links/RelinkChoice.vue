<script setup lang="ts">
import Button from 'primevue/button'
import Menu from 'primevue/menu'
import { useToast } from 'primevue/usetoast'
import { computed, useTemplateRef } from 'vue'
import { useDocument } from '../stores/document'
import { useLinkEdits } from './linkEdits'
import { useStayOpen } from '../shell/stayOpen'

/** Links the picked copies to another part of the same shape; nothing moves. */
const document = useDocument()
const links = useLinkEdits()
const toast = useToast()
const menu = useTemplateRef<InstanceType<typeof Menu>>('menu')
const { shown, hidden } = useStayOpen(menu)
const items = computed(() =>
  document.project.parts.map((part) => ({
    label: part.name,
    command: () => {
      if (!links.relinkPicks(part.id)) return
      const detail = `The picked copies are not the same shape as ${part.name}. Use Swap to give them that part anyway.`
      toast.add({ severity: 'warn', summary: 'Not linked', detail, life: 9000 })
    },
  })),
)
</script>

<template>
  <Button
    label="Link to…"
    severity="secondary"
    variant="outlined"
    size="small"
    aria-haspopup="menu"
    title="Links them to another part of the same shape; nothing moves"
    @click="menu?.toggle($event)"
  />
  <Menu
    ref="menu"
    :model="items"
    popup
    :pt="{ list: { style: 'max-height: 300px; overflow: auto' } }"
    @show="shown"
    @hide="hidden"
  />
</template>
