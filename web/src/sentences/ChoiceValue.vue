<script setup lang="ts" generic="T extends string">
import Popover from 'primevue/popover'
import { Check } from '@lucide/vue'
import { computed, nextTick, ref, useId } from 'vue'
import type { Vec3 } from '@hilera/core/values/values'
import { useStayOpen } from '../shell/stayOpen'
import { useView } from '../stores/view'

/** A choice in a sentence: a dotted rule, and a short list to pick from. */
const props = defineProps<{
  value: T
  label: string
  options: readonly {
    readonly value: T
    readonly words: string
    readonly note?: string
    readonly toward?: Readonly<Vec3>
    /** It asks for more than a word: chosen once more it asks again. */
    readonly asks?: boolean
  }[]
}>()
const emit = defineEmits<{ pick: [value: T] }>()

const popover = ref<InstanceType<typeof Popover>>()
const button = ref<HTMLElement>()
const list = ref<HTMLElement>()
const listId = useId()
const shown = computed(() => props.options.find((o) => o.value === props.value)?.words ?? props.value)

function pick(value: T): void {
  popover.value?.hide()
  if (value !== props.value || props.options.some((o) => o.asks && o.value === value)) emit('pick', value)
  button.value?.focus()
}

const view = useView()
const consider = ({ toward, words }: (typeof props.options)[number]): void =>
  void (view.considered = toward && { toward, words })
const { open, shown: stayOpen, hidden: closed } = useStayOpen(popover)
function hidden(): void {
  closed()
  view.considered = undefined
}
function opened(): void {
  stayOpen()
  void nextTick(() => list.value?.querySelector<HTMLElement>('[aria-selected="true"]')?.focus())
}

function step(event: KeyboardEvent): void {
  const moves: Record<string, number> = { ArrowDown: 1, ArrowUp: -1 }
  const by = moves[event.key]
  if (event.key === 'Escape') {
    popover.value?.hide()
    button.value?.focus()
  } else if (by === undefined) return
  event.preventDefault()
  event.stopPropagation()
  if (by === undefined) return
  const items = [...(list.value?.querySelectorAll<HTMLElement>('[role=option]') ?? [])]
  const at = items.indexOf(document.activeElement as HTMLElement)
  items[(at + by + items.length) % items.length]?.focus()
}
</script>

<template>
  <span
    ref="button"
    role="button"
    tabindex="0"
    class="choice"
    :aria-label="`${label}: ${shown}`"
    aria-haspopup="listbox"
    :aria-expanded="open"
    :aria-controls="open ? listId : undefined"
    @click="popover?.toggle($event)"
    @keydown.enter.prevent.stop="popover?.toggle($event)"
    @keydown.space.prevent.stop="popover?.toggle($event)"
    >{{ shown }}</span
  >
  <Popover ref="popover" @show="opened" @hide="hidden">
    <ul :id="listId" ref="list" role="listbox" :aria-label="label" @keydown="step">
      <li
        v-for="option in options"
        :key="option.value"
        role="option"
        tabindex="-1"
        :aria-selected="option.value === value"
        @pointerenter="consider(option)"
        @focus="consider(option)"
        @click="pick(option.value)"
        @keydown.enter.prevent="pick(option.value)"
        @keydown.space.prevent="pick(option.value)"
      >
        <Check :size="14" class="mark" :class="{ off: option.value !== value }" />
        <span
          >{{ option.words }}<small v-if="option.note">{{ option.note }}</small></span
        >
      </li>
    </ul>
  </Popover>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  max-width: 300px;
  /* A long list scrolls in itself: one taller than the window would move as its end is reached for. */
  max-height: min(420px, 55vh);
  overflow-y: auto;
}
li {
  display: flex;
  gap: 8px;
  padding: 6px 10px 6px 6px;
  border-radius: 6px;
  cursor: pointer;
  font-size: 13px;
}
li:hover,
li:focus {
  background: var(--madder-wash);
  outline: none;
}
li[aria-selected='true'] {
  color: var(--madder);
  font-weight: 500;
}
.mark {
  margin-top: 3px;
  flex: none;
}
.off {
  visibility: hidden;
}
small {
  display: block;
  font-size: 11.5px;
  font-weight: 400;
  color: var(--soft);
}
</style>
