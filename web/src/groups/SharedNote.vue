<script setup lang="ts">
import type { Shareable } from '@hilera/core/links/shared'
import type { Pattern } from '@hilera/core/model/pattern'
import { plural } from '@hilera/core/words'
import { computed } from 'vue'
import { useShared } from './shared'

/** Under a sentence of a step or a movement that all patterns of a group have together. */
const props = defineProps<{ pattern: Pattern; of: Shareable; own: string; name: string }>()
const shared = useShared()
const together = computed(() => shared.sharedBy(props.pattern, props.own, props.of))
</script>

<template>
  <p v-if="together" class="note">
    For all of {{ together.group.name }}, <span class="figure">{{ together.count }}</span>
    {{ plural(together.count, 'pattern', 'patterns') }}: what is changed here is changed in each.
    <template v-if="together.without > 0">
      <span class="figure">{{ together.without }}</span> came later and
      {{ plural(together.without, 'goes', 'go') }} without it.
      <button type="button" class="aside" @click="shared.giveToRest(pattern, own, of, name)">
        Give it to {{ plural(together.without, 'that one', 'those') }} too
      </button>
    </template>
    <button type="button" class="aside" @click="shared.part(pattern, own, of, name)">Let each have its own</button>
  </p>
</template>
