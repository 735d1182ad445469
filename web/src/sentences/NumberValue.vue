<script setup lang="ts">
import { editText, formatQuantity, sentenceText } from '@hilera/core/numbers/format'
import { parseQuantity } from '@hilera/core/numbers/parse'
import type { Quantity } from '@hilera/core/numbers/units'
import type { Sentence } from '@hilera/core/words'
import { computed, nextTick, onBeforeUnmount, ref, useId } from 'vue'
import { useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'
import type { Changing } from './edits'
import { register } from './fields'
import { nudgeStep, scrubbed } from './steps'
import Words from './Words.vue'

/**
 * A value in a sentence, edited in place: click or Enter to type a number, a unit or a sum; drag to scrub; arrow keys to
 * nudge. Held values carry a solid rule, worked-out ones a wash and a mark, and a click on such a one takes hold of it.
 */
const props = defineProps<{
  value: number
  quantity: Quantity
  label: string
  /** What undo calls the change. */
  undo: string
  edit: (value: number) => Recipe
  state?: 'held' | 'worked' | 'free'
  check?: (value: number) => Sentence | undefined
  /** Where it is changed; the document where nothing is said. */
  changing?: Changing | undefined
}>()

const document = useDocument()
const target = (): Changing => props.changing ?? document
const root = ref<HTMLElement>()
const input = ref<HTMLInputElement>()
const text = ref<string>()
const problem = ref<Sentence>()
const errorId = useId()
let opened = ''
let drag: { from: number; value: number; gesture?: ReturnType<Changing['begin']> } | undefined

const shown = computed(() => formatQuantity(props.value, props.quantity, document.unit))
const kind = computed(() => props.state ?? 'held')
const spoken = computed(
  () => `${shown.value}${kind.value === 'worked' ? ', worked out' : kind.value === 'held' ? ', held' : ''}`,
)

const apply = async (value: number): Promise<Sentence | undefined> =>
  (await target().change(props.undo, props.edit(value)))?.says

function open(start?: string): void {
  opened = editText(props.value, props.quantity, document.unit)
  text.value = start ?? opened
  problem.value = undefined
  void nextTick(() => {
    input.value?.focus()
    if (start === undefined) input.value?.select()
  })
}

function close(focus: boolean): void {
  text.value = undefined
  problem.value = undefined
  if (focus) void nextTick(() => root.value?.focus())
}

/** A text without what only sets its figures: spaces, and the mark of what is rounded. */
const bare = (text: string): string => text.replaceAll(/[\s≈]/g, '')

async function accept(focus: boolean): Promise<void> {
  const typed = text.value
  if (typed === undefined) return
  // Unchanged text leaves the value as exact as it was, and so does what is shown of it, though that is rounded.
  if (typed === opened || bare(typed) === bare(shown.value)) return close(focus)
  const read = parseQuantity(typed, props.quantity, document.unit, document.project.clock.rate)
  const wrong = read.ok ? props.check?.(read.value) : read.problem.says
  if (wrong || !read.ok) {
    problem.value = wrong
    // Focus has left: the value stays as it was, and the sentence stays to say why.
    if (!focus) text.value = undefined
    return
  }
  // The field does not wait for what comes of it: by then another one may be typed in.
  close(focus)
  const refused = await apply(read.value)
  if (!refused) return
  if (focus && text.value === undefined && window.document.activeElement === root.value) open(typed)
  problem.value = refused
}

async function nudge(by: number): Promise<void> {
  const next = scrubbed(props.value, by, nudgeStep(props.quantity, document.unit), props.quantity)
  problem.value = props.check?.(next) ?? (await apply(next))
}

async function takeHold(): Promise<void> {
  problem.value = await apply(props.value)
}

function key(event: KeyboardEvent): void {
  const by = event.shiftKey ? 10 : 1
  if (event.key === 'ArrowUp') void nudge(by)
  else if (event.key === 'ArrowDown') void nudge(-by)
  else if (event.key === 'Enter' || event.key === ' ') open()
  else if (event.key === 'Escape' && problem.value) problem.value = undefined
  else if (/^[\d.(−-]$/.test(event.key) && !event.ctrlKey && !event.metaKey) open(event.key)
  else return
  event.preventDefault()
  event.stopPropagation()
}

function inputKey(event: KeyboardEvent): void {
  event.stopPropagation()
  if (event.key === 'Enter') void accept(true)
  else if (event.key === 'Escape') close(true)
}

function down(event: PointerEvent): void {
  if (event.button !== 0) return
  window.getSelection()?.removeAllRanges()
  drag = { from: event.clientX, value: props.value }
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
}

function move(event: PointerEvent): void {
  if (!drag) return
  const pixels = event.clientX - drag.from
  if (!drag.gesture && Math.abs(pixels) < 4) return
  drag.gesture ??= target().begin(props.undo)
  const fineness = event.shiftKey ? 10 : event.altKey ? 0.1 : 1
  const value = scrubbed(
    drag.value,
    Math.round(pixels / 3) * fineness,
    nudgeStep(props.quantity, document.unit),
    props.quantity,
  )
  if (props.check?.(value)) return
  const own = drag
  void drag.gesture.update(props.edit(value)).then((refused) => {
    if (drag === own) problem.value = refused?.says
  })
}

function up(): void {
  const ended = drag
  drag = undefined
  if (!ended) return
  if (ended.gesture) {
    ended.gesture.commit()
    problem.value = undefined
  } else if (kind.value === 'worked') void takeHold()
  else open()
}

function cancelDrag(): void {
  drag?.gesture?.cancel()
  drag = undefined
  problem.value = undefined
}

defineExpose({ open })
onBeforeUnmount(register(props.label, () => open()))
const title = computed(() =>
  kind.value === 'worked'
    ? `${props.label}: worked out. Click to take hold of it.`
    : `${props.label}: click to type, drag or use the arrow keys to change.`,
)
const said = computed(() => (problem.value ? sentenceText(problem.value, document.unit) : ''))
</script>

<template>
  <span class="spot">
    <input
      v-if="text !== undefined"
      ref="input"
      v-model="text"
      class="typing figure"
      :aria-label="label"
      :aria-invalid="!!problem"
      :aria-describedby="problem ? errorId : undefined"
      :style="{ width: `${Math.max(text.length + 2, 6)}ch` }"
      spellcheck="false"
      autocomplete="off"
      @keydown="inputKey"
      @blur="accept(false)"
    /><span
      v-else
      ref="root"
      class="value figure"
      :class="kind"
      role="spinbutton"
      tabindex="0"
      :aria-label="label"
      :aria-valuenow="value"
      :aria-valuetext="spoken"
      :title="title"
      @pointerdown="down"
      @pointermove="move"
      @pointerup="up"
      @pointercancel="cancelDrag"
      @keydown.esc="cancelDrag"
      @keydown="key"
      >{{ shown }}</span
    ><span v-if="problem" :id="errorId" class="problem" role="alert" :title="said"><Words :sentence="problem" /></span>
  </span>
</template>

<style scoped>
.spot {
  position: relative;
}
.value {
  padding: 3px 5px 4px;
  border-radius: 4px 4px 0 0;
  font-size: 13px;
  font-weight: 600;
  cursor: ew-resize;
  touch-action: none;
  user-select: none;
  white-space: nowrap;
}
.held {
  color: var(--madder);
  background: var(--madder-wash);
  border-bottom: 2px solid var(--madder);
}
.free {
  color: var(--ink);
  border-bottom: 1.5px solid var(--edge);
}
.worked {
  color: var(--verdigris);
  background: var(--verdigris-wash);
  cursor: pointer;
  border-radius: 4px;
}
.worked::before {
  content: '=';
  opacity: 0.75;
  margin-right: 3px;
}
.value:hover {
  filter: brightness(0.97);
}
.typing {
  border: 1px solid var(--madder);
  border-radius: 4px;
  background: var(--card);
  padding: 1px 5px;
  font-size: 13px;
  line-height: 20px;
  outline: none;
  box-shadow: 0 0 0 2px var(--madder-wash);
}
.typing[aria-invalid='true'] {
  border-color: var(--vermilion);
  box-shadow: 0 0 0 2px var(--vermilion-wash);
}
.problem {
  display: block;
  margin: 4px 0 6px;
  padding: 5px 8px;
  border-left: 3px solid var(--vermilion);
  background: var(--vermilion-wash);
  color: var(--vermilion);
  border-radius: 0 5px 5px 0;
  font: 12px/1.4 var(--sans);
}
.problem :deep(.figure) {
  color: inherit;
}
</style>
