import type { Project } from '@hilera/core/model/project'
import type { PartSource } from '@hilera/core/parts/partMesh'
import type { PatternUpdate } from '../worker/messages'
import { Copies } from './copies/copies'
import { Daylight } from './daylight'
import { stageColors } from './stageColors'
import { Underneath } from './underneath'
import { Viewer } from './viewer'

/** A stage that is looked at only: the copies, what lies under them, and daylight; no handles and no guides. */
export class SideStage {
  readonly viewer: Viewer
  readonly copies: Copies
  private readonly light: Daylight
  private readonly under: Underneath

  constructor(canvas: HTMLCanvasElement, fine: boolean, width: number, height: number) {
    const viewer = new Viewer(canvas, fine)
    const again = (): void => viewer.invalidate()
    this.viewer = viewer
    this.copies = new Copies(fine, stageColors().ink, again)
    this.light = new Daylight(fine)
    this.under = new Underneath(fine, again)
    viewer.scene.add(this.light.root, this.under.root, this.copies.root)
    viewer.frames.copies = this.copies
    viewer.resize(width, height)
  }

  show(project: Project, updates: readonly PatternUpdate[], source: PartSource): void {
    this.copies.show(project, updates, source)
    this.under.show(project, source)
    this.light.cover(this.copies.box())
    this.viewer.shadowsChanged()
  }

  dispose(): void {
    this.copies.dispose()
    this.under.dispose()
    this.viewer.dispose()
  }
}
