import type { Pattern } from '@hilera/core/model/pattern'
import { SideStage } from '../stage/sideStage'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useView } from '../stores/view'
import type { PatternUpdate } from '../worker/messages'

const WIDTH = 720
const HEIGHT = 360

/** Draws variants of the scene one after another on one canvas, all with one camera. */
export function usePictureSheet(canvasOf: () => HTMLCanvasElement | null) {
  const document = useDocument()
  const outcomes = useOutcomes()
  const view = useView()
  let stage: SideStage | undefined
  let framed: string | undefined

  /** Frames a pattern as it is now: the camera stays there for the whole sheet. */
  function frame(patternId: string | undefined): void {
    const canvas = canvasOf()
    if (canvas) stage ??= new SideStage(canvas, view.drawing === 'fine', WIDTH, HEIGHT)
    if (!stage || patternId === undefined) return
    stage.show(document.project, outcomes.patterns, document.source)
    if (framed !== patternId) stage.viewer.setView('perspective', stage.copies.box(patternId))
    framed = patternId
  }

  function picture(updates: readonly PatternUpdate[], pattern: Pattern): string | undefined {
    if (!stage) return undefined
    const replaced = new Map(updates.map((u) => [u.id, u]))
    const project = {
      ...document.project,
      patterns: document.project.patterns.map((p) => (p.id === pattern.id ? pattern : p)),
    }
    const all = outcomes.patterns.map((u) => replaced.get(u.id) ?? u)
    stage.copies.show(project, all, document.source)
    return stage.viewer.snapshot()
  }

  function dispose(): void {
    stage?.dispose()
    stage = undefined
  }

  return { frame, picture, dispose }
}
