import type { Placing } from '@hilera/core/instances'
import type { Region } from '@hilera/core/selection/region'
import type { Vec3 } from '@hilera/core/values/values'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'

/** A place on the stage that was clicked: on the ground or the view's plane, or what was caught of the copy under the pointer. */
export interface Picked {
  readonly point: Vec3
  readonly copy?: { readonly patternId: string; readonly slot: string }
  /** The part that was hit, and how that copy of it stands in the world. */
  readonly part?: { readonly id: string; readonly stands: Placing; readonly isTwin: boolean }
  /** How the face looks that was hit, and where on it. */
  readonly normal?: Vec3
  readonly onFace?: Vec3
}

interface Asking {
  /** What is asked for; it may change while it is asked. */
  readonly words: () => string
  /** Places picked so far, for a drawing of several. */
  readonly before: readonly Vec3[]
  answer(picked: Picked | 'done' | undefined): void
}

interface AskingRegion {
  readonly words: string
  answer(region: Region | undefined): void
}

/** Asks the person to click places on the stage. Esc gives it up and leaves nothing behind. */
export const usePicking = defineStore('picking', () => {
  const asking = shallowRef<Asking>()
  const active = computed(() => asking.value !== undefined)

  /** One place; 'done' when Enter ends a drawing, undefined when it is given up. */
  function pick(words: () => string, before: readonly Vec3[] = []): Promise<Picked | 'done' | undefined> {
    asking.value?.answer(undefined)
    return new Promise((resolve) => {
      asking.value = {
        words,
        before,
        answer(picked) {
          asking.value = undefined
          resolve(picked)
        },
      }
    })
  }

  /** One place, or undefined when it is given up. */
  async function place(words: string): Promise<Picked | undefined> {
    const picked = await pick(() => words)
    return picked === 'done' ? undefined : picked
  }

  /**
   * Places until Enter, or until there are so many; undefined when it is given up. Enter is not heard before the least number.
   *
   * @param each told of every place as it is clicked
   */
  async function places(
    words: string | (() => string),
    least: number,
    most = Infinity,
    each?: (at: Vec3) => void,
  ): Promise<Vec3[] | undefined> {
    const said = typeof words === 'string' ? () => words : words
    const points: Vec3[] = []
    while (points.length < most) {
      const picked = await pick(points.length >= least && most > least ? () => `${said()} · Enter: done` : said, points)
      if (picked === undefined) return undefined
      if (picked === 'done') {
        if (points.length >= least) return points
        continue
      }
      points.push(picked.point)
      each?.(picked.point)
    }
    return points
  }

  const drawing = shallowRef<AskingRegion>()
  /** An outline drawn on the stage, or undefined when it is given up. */
  function region(words: string): Promise<Region | undefined> {
    drawing.value?.answer(undefined)
    return new Promise((resolve) => {
      drawing.value = {
        words,
        answer(drawn) {
          drawing.value = undefined
          resolve(drawn)
        },
      }
    })
  }

  return { asking, active, drawing, place, places, region }
})
