import type { Measure } from '@hilera/core/values/spacing'
import type { Vec3 } from '@hilera/core/values/values'
import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { Shown } from '../stage/frames'
import type { View } from '../stage/views'

export type Picker = 'one' | 'rectangle' | 'outline'

export type DrawingMode = 'fine' | 'light'

/** Whether things are drawn with their ink edges, plain, or as ink on paper. */
export const inkings = ['inked', 'plain', 'ink'] as const
export type Inking = (typeof inkings)[number]

/** How things are looked at; nothing here belongs to the document. */
export const useView = defineStore('view', () => {
  const view = ref<View>('perspective')
  /** From where it is looked along an axis of what is picked, and in words. */
  const along = ref<{ readonly from: Vec3; readonly words: string }>()
  /** Whether the other views are seen beside the one that is worked in. */
  const four = useLocalStorage('hilera.four', false)
  const drawing = useLocalStorage<DrawingMode>('hilera.drawing', 'fine')
  const inking = useLocalStorage<Inking>('hilera.inking', 'inked')
  /** The share of copies that is drawn, for looking into a crowd; counts and files stay true. */
  const share = ref(1)
  /** All copies are drawn while something moves as well, however long that takes. */
  const whole = ref(false)
  /** What is on the screen. */
  const shown = shallowRef<Shown>()
  /** Only the lights among the copies shine. */
  const night = ref(false)
  /** How the pointer picks on the stage: one copy, or by a drawn outline. */
  const picker = ref<Picker>('one')
  /** Whether an outline picks what it touches, or only what it encloses. */
  const touching = ref(true)
  /** Whether the copies of the picked pattern carry their numbers. */
  const numbered = ref(false)
  /** The step or the clearing whose sentence is pointed at or in focus: what it is about is drawn on the stage. */
  const read = ref<string>()
  /** A direction that is considered for the picked pattern, in its own axes: an arrow on the stage. */
  const considered = shallowRef<{ readonly toward: Readonly<Vec3>; readonly words: string }>()
  const singleKeys = useLocalStorage('hilera.singleKeys', true)
  /** How the strip's figures are read; the held measure while undefined. */
  const stripMeasure = ref<Measure>()
  /** Whether the ground’s normals are drawn under the copies of the picked pattern. */
  const normals = ref(false)
  /** Whether the strip shows the ground under copies that settle, or their spacing. */
  const profiled = ref(true)
  /** Counted up to ask the stage to frame something. */
  const framing = ref<{ readonly what: 'selection' | 'everything'; readonly asked: number }>({
    what: 'everything',
    asked: 0,
  })

  const frame = (what: 'selection' | 'everything'): void =>
    void (framing.value = { what, asked: framing.value.asked + 1 })

  return {
    view,
    along,
    four,
    drawing,
    inking,
    share,
    whole,
    shown,
    night,
    picker,
    touching,
    numbered,
    read,
    considered,
    singleKeys,
    stripMeasure,
    profiled,
    normals,
    framing,
    frame,
  }
})
