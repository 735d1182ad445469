import type { Pattern } from '@hilera/core/model/pattern'
import { Copies } from '../stage/copies/copies'
import { Daylight } from '../stage/daylight'
import { stageColors } from '../stage/stageColors'
import { Viewer } from '../stage/viewer'
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
  let stage: { viewer: Viewer; copies: Copies; light: Daylight } | undefined
  let framed: string | undefined

  function build(): typeof stage {
    const canvas = canvasOf()
    if (!canvas) return undefined
    const fine = view.drawing === 'fine'
    const viewer = new Viewer(canvas, fine)
    const copies = new Copies(fine, stageColors().ink, () => viewer.invalidate())
    const light = new Daylight(fine)
    viewer.scene.add(light.root, copies.root)
    viewer.frames.copies = copies
    viewer.resize(WIDTH, HEIGHT)
    return { viewer, copies, light }
  }

  /** Frames a pattern as it is now: the camera stays there for the whole sheet. */
  function frame(patternId: string | undefined): void {
    stage ??= build()
    if (!stage || patternId === undefined) return
    stage.copies.show(document.project, outcomes.patterns, document.source)
    stage.light.cover(stage.copies.box())
    const box = stage.copies.box(patternId)
    if (framed !== patternId) stage.viewer.setView('perspective', box)
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
    stage?.copies.dispose()
    stage?.viewer.dispose()
    stage = undefined
  }

  return { frame, picture, dispose }
}
