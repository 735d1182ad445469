import * as THREE from 'three'
import type { Copies } from './copies/copies'
import { COMPLETING } from './copies/drawnBatch'
import { whenDrawn } from './fence'
import { Pace } from './pace'

/** While something moves a picture takes so long at most, in milliseconds; a step in which it is completed as long as nobody minds. */
const MOVING = 40
const STEP = 90
/** A single change is drawn whole where that takes no longer than this, in milliseconds; one that follows others, than that. */
const WHOLE = { single: 400, following: 80 }
/** What comes so soon after a picture follows it. */
const SOON = 250
/** After so long without a change it rests, and is completed. */
const REST = 160

/** What is on the screen: how much of the copies that are to be drawn, and how the last picture came about. */
export interface Shown {
  /** 1 where all of them are drawn. */
  readonly share: number
  /** In milliseconds, as the graphics side took it; all steps of it together, as are the figures below. */
  readonly took: number
  readonly calls: number
  readonly triangles: number
}

const NOTHING: Omit<Shown, 'share'> = { took: 0, calls: 0, triangles: 0 }

/** How pictures are drawn of a scene. */
export interface Drawing {
  readonly renderer: THREE.WebGLRenderer
  readonly scene: THREE.Scene
  camera(): THREE.PerspectiveCamera | THREE.OrthographicCamera
  /** Called before each picture; true while the camera is still moving. */
  before(): boolean
}

/**
 * Draws pictures one after another, on demand: never more than one is under way, so that the newest state is drawn next and nothing queues
 * up. A crowd that takes too long is drawn lightly while something moves: fewer copies, without ink. When it rests, the picture is
 * completed in steps, the nearest first, each drawn over what is there.
 */
export class Frames {
  /** The copies among what is drawn. */
  copies: Copies | undefined
  /** Draws all of them at any time, however long it takes. */
  always = false
  onShown: (shown: Shown) => void = () => {}
  /** Told when a picture is asked for, and when the last one is there and none is to follow. */
  onRest: (rests: boolean) => void = () => {}
  private readonly pace = new Pace()
  private requested = 0
  private giveUp: (() => void) | undefined
  private again = false
  private rests = false
  /** What the picture has taken so far. */
  private spent = NOTHING
  private rest = 0
  private shadowsDue = true
  /** When the last picture was there. */
  private drawnAt = -Infinity
  /** Of the copies, as they were last drawn all at once. */
  private share = 1
  private left: ReturnType<Copies['rest']> = []
  private readonly frustum = new THREE.Frustum()
  private readonly size = new THREE.Vector2()

  constructor(private readonly drawing: Drawing) {}

  /** Asks for a picture; many askings make one. */
  invalidate(): void {
    this.tellRest(false)
    this.requested ||= requestAnimationFrame(() => this.draw())
  }

  shadowsChanged(): void {
    this.shadowsDue = true
    this.invalidate()
  }

  private tellRest(rests: boolean): void {
    if (rests === this.rests) return
    this.rests = rests
    this.onRest(rests)
  }

  /** Draws at once, also while another picture is under way. */
  drawNow(): void {
    this.tellRest(false)
    this.giveUp?.()
    this.giveUp = undefined
    this.draw()
  }

  private draw(): void {
    cancelAnimationFrame(this.requested)
    this.requested = 0
    if (this.giveUp) return void (this.again = true)
    clearTimeout(this.rest)
    this.leaveSteps()
    this.spent = NOTHING
    const moving = this.drawing.before()
    const work = this.look()
    const isWhole = this.always || !this.copies?.isCrowd || this.isQuick(work)
    const share = (this.share = isWhole ? 1 : this.pace.share(work, MOVING))
    this.copies?.draw(share, isWhole, share)
    if (this.shadowsDue && isWhole) this.renewShadows()
    // Counted from when it is drawn: on a slow machine a light picture too takes longer than that.
    const completeSoon = (): void => void (this.rest = window.setTimeout(() => this.complete(), REST))
    this.render(share, moving, isWhole ? undefined : completeSoon)
  }

  private isQuick(work: number): boolean {
    const longest = performance.now() - this.drawnAt < SOON ? WHOLE.following : WHOLE.single
    return this.pace.forecast(work) <= longest && this.pace.share(work, longest) === 1
  }

  /** All of it in one picture, however long it takes: for what is read from the canvas at once. */
  drawAll(): void {
    clearTimeout(this.rest)
    this.giveUp?.()
    this.giveUp = undefined
    this.leaveSteps()
    this.look()
    this.copies?.draw(1, true, 1)
    this.renewShadows()
    const { renderer, scene, camera } = this.drawing
    renderer.render(scene, camera())
  }

  /**
   * Draws something else than the stage from another camera, and leaves the stage as it was.
   *
   * @param most so much work at most
   */
  beside(
    camera: THREE.PerspectiveCamera | THREE.OrthographicCamera,
    height: number,
    most: number,
    draw: () => void,
  ): void {
    const work = this.look(camera, height)
    const share = Math.min(1, most / Math.max(work, 1))
    this.copies?.draw(share, true, share)
    if (this.shadowsDue) this.renewShadows()
    draw()
    this.look()
    this.copies?.draw(this.share, this.share === 1, this.share)
  }

  private look(camera = this.drawing.camera(), pixels?: number): number {
    camera.updateMatrixWorld()
    const through = new THREE.Matrix4().multiplyMatrices(camera.projectionMatrix, camera.matrixWorldInverse)
    this.frustum.setFromProjectionMatrix(through)
    const height = pixels ?? this.drawing.renderer.getDrawingBufferSize(this.size).height
    return this.copies?.look({ frustum: this.frustum, camera, height }) ?? 0
  }

  private renewShadows(): void {
    this.drawing.renderer.shadowMap.needsUpdate = true
    this.shadowsDue = false
  }

  /** Nothing has changed for a while: shadows first, where they are due, then what is not drawn yet. */
  private complete(): void {
    if (!this.copies) return
    if (this.left.length === 0) {
      const share = this.pace.share(this.look(), MOVING)
      this.left = this.copies.rest()
      // What was drawn lightly is drawn over.
      this.spent = NOTHING
      if (this.shadowsDue) {
        this.renewShadows()
        this.copies.draw(share, false, this.pace.share(this.look(), STEP))
        this.render(share, false, () => this.step())
        return
      }
    }
    this.step()
  }

  private step(): void {
    const taken: typeof this.left = []
    let work = 0
    while (this.left.length > 0 && (taken.length === 0 || this.pace.forecast(work + this.left[0].work) <= STEP)) {
      const next = this.left.shift()!
      work += next.work
      taken.push(next)
      next.take()
    }
    const { renderer, camera } = this.drawing
    const eye = camera()
    eye.layers.set(COMPLETING)
    renderer.autoClear = false
    const isLast = this.left.length === 0
    this.render(isLast ? 1 : undefined, false, isLast ? undefined : () => this.step())
    renderer.autoClear = true
    eye.layers.set(0)
    for (const thing of taken) thing.leave()
  }

  private leaveSteps(): void {
    for (const thing of this.left) thing.leave()
    this.left = []
  }

  /** @param then called when it is drawn, unless something else was asked for meanwhile */
  private render(share: number | undefined, moving: boolean, then?: () => void): void {
    const { renderer, scene, camera } = this.drawing
    const start = performance.now()
    renderer.render(scene, camera())
    const { calls, triangles, lines } = renderer.info.render
    this.again = moving
    this.giveUp = whenDrawn(renderer.getContext() as WebGL2RenderingContext, () => {
      this.giveUp = undefined
      this.drawnAt = performance.now()
      const took = performance.now() - start
      this.pace.took(triangles + lines, took)
      const { spent } = this
      this.spent = { took: spent.took + took, calls: spent.calls + calls, triangles: spent.triangles + triangles }
      if (share !== undefined) this.onShown({ share, ...this.spent })
      if (this.again) this.invalidate()
      else if (then) then()
      else this.tellRest(!this.requested && share === 1)
    })
  }

  dispose(): void {
    cancelAnimationFrame(this.requested)
    clearTimeout(this.rest)
    this.giveUp?.()
  }
}
