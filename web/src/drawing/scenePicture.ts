import type { SavedView } from '@hilera/core/model/project'
import { cameraAt as viewAt } from '@hilera/core/motion/camera/cameraAt'
import type { PartSource } from '@hilera/core/parts/partMesh'
import * as THREE from 'three'
import { cameraAt, cameraOn } from '../stage/cameras'
import { Copies } from '../stage/copies/copies'
import { Daylight } from '../stage/daylight'
import { letGoOfAll } from '../stage/letGo'
import { stageColors } from '../stage/stageColors'
import { Underneath } from '../stage/underneath'
import type { Viewpoint } from '../stage/viewer'
import type { State } from '../stores/moments'
import { PngFile } from './pngFile'

/** What is drawn, and how. */
export interface Scene extends State {
  readonly source: PartSource
  /** The project at another moment, in seconds. */
  at(time: number): Promise<State>
}

/** From where it is seen: all of it from the front where nothing is said; from where the camera is at each moment. */
export type Seen = Viewpoint | SavedView | 'camera' | undefined

/** So large a piece is drawn at once, in pixels to a side; so many pixels are held of a band. */
const PIECE = 4096
const BAND = 4_000_000

/** Draws the scene off the page, in full and in any size: the very same picture every time. */
export class ScenePicture {
  readonly canvas = document.createElement('canvas')
  private readonly renderer: THREE.WebGLRenderer
  private readonly stage = new THREE.Scene()
  private readonly copies: Copies
  private readonly light = new Daylight(true)
  private readonly under: Underneath
  private camera: THREE.PerspectiveCamera | THREE.OrthographicCamera
  /** The colour of the stage. */
  readonly paper = stageColors().stage
  private readonly middle: THREE.Vector3
  private start: THREE.Vector3
  /** What was shown last, and where it is drawn as it was before. */
  private state: State
  private pictures = 0

  constructor(
    private readonly scene: Scene,
    private readonly width: number,
    private readonly height: number,
    private readonly seen: Seen,
  ) {
    const { canvas } = this
    this.state = scene
    this.renderer = new THREE.WebGLRenderer({ canvas, antialias: true, alpha: true, preserveDrawingBuffer: true })
    this.renderer.setPixelRatio(1)
    this.renderer.shadowMap.enabled = true
    this.renderer.shadowMap.type = THREE.PCFShadowMap
    const read = (): void => void this.pictures++
    this.copies = new Copies(true, stageColors().ink, read)
    this.under = new Underneath(true, read)
    this.copies.show(scene.project, scene.patterns, scene.source)
    this.under.show(scene.project, scene.source)
    this.under.face('perspective')
    this.stage.add(this.light.root, this.under.root, this.copies.root)
    const box = this.copies.box()
    this.light.cover(box)
    const from = seen === 'camera' ? viewAt(scene.project, 0) : seen
    this.camera = from ? cameraAt(from, width / height) : cameraOn(box, width / height)
    this.middle = box.getCenter(new THREE.Vector3())
    this.start = this.camera.position.clone()
  }

  /** Pictures on parts are read beside: until they are there, nothing is to be drawn. */
  async ready(): Promise<void> {
    // One drawing asks for what is needed.
    await this.draw(0)
    for (let before = -1, waited = 0; waited < 20 && before !== this.pictures; waited++) {
      before = this.pictures
      await new Promise((resolve) => setTimeout(resolve, 60))
    }
  }

  /**
   * Draws all of it on the canvas, which is made as large as the picture.
   *
   * @param moment in seconds
   * @param round by how much it is turned about the upright through its middle, in radians
   */
  async draw(moment: number, round = 0): Promise<void> {
    await this.at(moment, round)
    this.piece(0, 0, this.width, this.height)
  }

  private async at(moment: number, round: number): Promise<void> {
    const state = await this.scene.at(moment)
    if (state !== this.state) this.copies.show(state.project, state.patterns, this.scene.source)
    this.state = state
    this.copies.play(state.playing, moment)
    const from = this.seen === 'camera' ? viewAt(state.project, moment) : undefined
    if (from) {
      this.camera = cameraAt(from, this.width / this.height)
      this.start = this.camera.position.clone()
      this.facing = undefined
    }
    this.camera.position.copy(this.start)
    if (round !== 0) {
      const axis = new THREE.Vector3(0, 1, 0)
      const away = this.start.clone().sub(this.middle).applyAxisAngle(axis, round)
      const look = this.camera.quaternion.clone()
      this.camera.position.copy(this.middle).add(away)
      this.camera.quaternion.setFromAxisAngle(axis, round).multiply((this.facing ??= look))
    }
  }
  /** How the camera faces before it goes round. */
  private facing: THREE.Quaternion | undefined

  private piece(x: number, y: number, width: number, height: number): void {
    const { camera, copies, renderer } = this
    renderer.setSize(width, height, false)
    camera.setViewOffset(this.width, this.height, x, y, width, height)
    camera.updateMatrixWorld()
    const through = new THREE.Matrix4().multiplyMatrices(camera.projectionMatrix, camera.matrixWorldInverse)
    copies.look({ frustum: new THREE.Frustum().setFromProjectionMatrix(through), camera, height: this.height })
    copies.draw(1, true, 1)
    renderer.render(this.stage, camera)
  }

  /**
   * The picture as a PNG, drawn in bands.
   *
   * @param on what lies under it: the colour of the stage, or nothing
   * @param onProgress called with the share done
   * @param isStopped asked now and then
   * @returns undefined where it was stopped
   */
  async png(
    moment: number,
    on: 'paper' | 'nothing',
    onProgress: (share: number) => void = () => {},
    isStopped: () => boolean = () => false,
    round = 0,
  ): Promise<Blob | undefined> {
    const file = new PngFile(this.width, this.height)
    const rows = Math.max(1, Math.min(PIECE, this.height, Math.floor(BAND / this.width)))
    const sheet = Object.assign(document.createElement('canvas'), { width: this.width, height: rows })
    const paint = sheet.getContext('2d', { willReadFrequently: true })!
    await this.at(moment, round)
    for (let y = 0; y < this.height; y += rows) {
      const high = Math.min(rows, this.height - y)
      paint.clearRect(0, 0, this.width, rows)
      paint.fillStyle = this.paper
      if (on === 'paper') paint.fillRect(0, 0, this.width, rows)
      for (let x = 0; x < this.width; x += PIECE) {
        this.piece(x, y, Math.min(PIECE, this.width - x), high)
        paint.drawImage(this.canvas, x, 0)
      }
      file.add(paint.getImageData(0, 0, this.width, high).data)
      onProgress((y + high) / this.height)
      await new Promise((resolve) => setTimeout(resolve))
      if (isStopped()) return undefined
    }
    return file.finish()
  }

  dispose(): void {
    this.copies.dispose()
    this.under.dispose()
    letGoOfAll(this.stage)
    this.renderer.dispose()
    this.renderer.forceContextLoss()
  }
}
