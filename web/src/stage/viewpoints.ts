import type { SavedView } from '@hilera/core/model/project'
import { freeName } from '@hilera/core/names'
import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { newId } from '../names'
import { useDocument } from '../stores/document'
import { useView } from '../stores/view'
import type { Viewpoint } from './viewer'

/** Views that are kept by name with the document. */
export const useViewpoints = defineStore('viewpoints', () => {
  const document = useDocument()
  const view = useView()
  /** Tells from where the stage is looked at now; set by the stage. */
  const now = shallowRef<() => Viewpoint | undefined>()
  /** From where the stage was looked at when it was last there. */
  const last = shallowRef<Viewpoint>()
  /** Counted up to ask the stage to look from a kept view. */
  const asked = ref<{ readonly view: SavedView; readonly times: number }>()

  /** From where the stage is looked at now, as a view of a name of its own; undefined where there is no stage. */
  function made(): SavedView | undefined {
    const point = now.value?.()
    if (!point) return undefined
    const name = freeName(
      'View',
      document.project.views.map((v) => v.name),
    )
    const { eye, target, height } = point
    return {
      id: newId('view'),
      name,
      from: view.view,
      eye: [...eye],
      target: [...target],
      ...(height !== undefined && { height }),
    }
  }
  function save(): void {
    const kept = made()
    if (kept) document.change(`save ${kept.name}`, (project) => void project.views.push(kept))
  }
  function go(saved: SavedView): void {
    view.view = saved.from
    asked.value = { view: saved, times: (asked.value?.times ?? 0) + 1 }
  }
  const rename = (saved: SavedView, name: string): void =>
    void document.change(`name of ${saved.name}`, (project) => {
      const found = project.views.find((v) => v.id === saved.id)
      if (found) found.name = name
    })
  const drop = (saved: SavedView): void =>
    void document.change(`remove ${saved.name}`, (project) => {
      project.views = project.views.filter((v) => v.id !== saved.id)
      project.camera = project.camera.filter(({ view }) => view !== saved.id)
    })

  return { now, last, asked, made, save, go, rename, drop }
})
