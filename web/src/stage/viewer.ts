import type { Region } from '@hilera/core/selection/region'
import CameraControls from 'camera-controls'
import * as THREE from 'three'
import { FIELD_OF_VIEW, MARGIN, cornersAt, directions, fitted, flatReach } from './cameras'
import { Frames } from './frames'
import { letGoOfAll } from './letGo'
import { hiddenAxis, type View } from './views'

// Handing over all of three, or taking the namespace apart, would keep all of it in the script.
CameraControls.install({
  THREE: {
    Box3: THREE.Box3,
    Matrix4: THREE.Matrix4,
    Quaternion: THREE.Quaternion,
    Raycaster: THREE.Raycaster,
    Sphere: THREE.Sphere,
    Spherical: THREE.Spherical,
    Vector2: THREE.Vector2,
    Vector3: THREE.Vector3,
    Vector4: THREE.Vector4,
  },
})

export interface ScreenPoint {
  readonly x: number
  readonly y: number
  /** False behind the camera. */
  readonly seen: boolean
}

/** The same places at every asking: they are written over. */
export type ScreenPlaces = readonly { readonly x: number; readonly y: number }[]

/** Where the eye is and what it looks at; in a flat view how many metres of it the picture is high. */
export interface Viewpoint {
  readonly eye: readonly [number, number, number]
  readonly target: readonly [number, number, number]
  readonly height?: number | undefined
}

/** A drawing that was lost is given back within so many milliseconds, or not at all. */
const GIVEN_BACK = 1_500

/** The camera, its controls and the drawing of frames: on demand, never in a loop. */
export class Viewer {
  readonly scene = new THREE.Scene()
  readonly renderer: THREE.WebGLRenderer
  view: View = 'perspective'
  /** From where it is looked along an axis of what is picked; of unit length. */
  private readonly own = new THREE.Vector3(0, 0, 1)
  onFrame: () => void = () => {}
  /** Told when the graphics side has lost what it drew and does not give it back. */
  onLost: () => void = () => {}
  readonly frames: Frames

  private readonly perspective = new THREE.PerspectiveCamera(FIELD_OF_VIEW, 1, 0.01, 1000)
  private readonly parallel = new THREE.OrthographicCamera(-1, 1, 1, -1, -1000, 1000)
  private readonly around: CameraControls
  private readonly flat: CameraControls
  private readonly clock = new THREE.Timer()
  private readonly raycaster = new THREE.Raycaster()
  private width = 1
  private height = 1

  constructor(
    readonly canvas: HTMLCanvasElement,
    fine: boolean,
  ) {
    this.renderer = new THREE.WebGLRenderer({
      canvas,
      antialias: fine,
      alpha: true,
      powerPreference: 'high-performance',
      // A crowd is completed in steps, each drawn over those before it.
      preserveDrawingBuffer: true,
    })
    this.renderer.setPixelRatio(fine ? Math.min(devicePixelRatio, 2) : 1)
    this.renderer.shadowMap.enabled = fine
    this.renderer.shadowMap.type = THREE.PCFShadowMap
    this.renderer.shadowMap.autoUpdate = false
    this.frames = new Frames({
      renderer: this.renderer,
      scene: this.scene,
      camera: () => this.camera,
      before: () => {
        this.clock.update()
        const moving = this.controls.update(Math.min(this.clock.getDelta(), 0.1))
        this.onFrame()
        return moving
      },
    })
    canvas.addEventListener('webglcontextlost', this.waitForIt)
    // What the graphics side held is sent again by the next picture.
    canvas.addEventListener('webglcontextrestored', this.goOn)
    this.around = new CameraControls(this.perspective, canvas)
    this.flat = new CameraControls(this.parallel, canvas)
    for (const controls of [this.around, this.flat]) {
      controls.smoothTime = 0.08
      controls.draggingSmoothTime = 0.04
      controls.dollyToCursor = true
      controls.addEventListener('control', () => this.invalidate())
      controls.addEventListener('update', () => this.invalidate())
    }
    this.around.maxPolarAngle = Math.PI * 0.55
    this.flat.mouseButtons.left = CameraControls.ACTION.TRUCK
    this.flat.mouseButtons.wheel = CameraControls.ACTION.ZOOM
    this.flat.enabled = false
    void this.around.setLookAt(-0.9, 1.3, 2.9, 0, 0.1, 0, false)
  }

  private givenUp = 0
  private readonly waitForIt = (): void => {
    clearTimeout(this.givenUp)
    this.givenUp = window.setTimeout(() => this.onLost(), GIVEN_BACK)
  }
  private readonly goOn = (): void => {
    clearTimeout(this.givenUp)
    this.shadowsChanged()
  }

  get camera(): THREE.PerspectiveCamera | THREE.OrthographicCamera {
    return this.view === 'perspective' ? this.perspective : this.parallel
  }

  get controls(): CameraControls {
    return this.view === 'perspective' ? this.around : this.flat
  }

  resize(width: number, height: number): void {
    // A canvas of whole pixels, shown at its own size, is not stretched by a fraction of one.
    this.width = Math.max(Math.round(width), 1)
    this.height = Math.max(Math.round(height), 1)
    this.renderer.setSize(this.width, this.height)
    this.perspective.aspect = this.width / this.height
    this.perspective.updateProjectionMatrix()
    const half = this.parallel.top
    this.parallel.left = -half * this.perspective.aspect
    this.parallel.right = half * this.perspective.aspect
    this.parallel.updateProjectionMatrix()
    this.frames.drawNow()
  }

  /** @param own from where it is looked, where that is along an axis of what is picked */
  setView(view: View, box: THREE.Box3, own?: readonly [number, number, number]): void {
    this.view = view
    // Straight from above or below the picture would have no top.
    if (own) this.own.set(...own).normalize()
    if (Math.abs(this.own.y) > 1 - 1e-8) this.own.z += 1e-4
    this.around.enabled = view === 'perspective'
    this.flat.enabled = view !== 'perspective'
    this.frame(box, view !== 'perspective')
  }

  /** Moves the camera so that the box fills the stage; keeps the angle unless asked to look straight. */
  frame(shown: THREE.Box3, straight = false, animate = false): void {
    // An empty stage is looked at as though something of a metre stood on it.
    const box = shown.isEmpty()
      ? new THREE.Box3(new THREE.Vector3(-0.5, 0, -0.5), new THREE.Vector3(0.5, 0.3, 0.5))
      : shown
    const sphere = box.getBoundingSphere(new THREE.Sphere())
    const centre = sphere.center
    const radius = Math.max(sphere.radius, 1e-3)
    const { controls } = this
    if (this.view === 'perspective') {
      const direction = straight
        ? directions.perspective
        : this.around.getPosition(new THREE.Vector3()).sub(this.around.getTarget(new THREE.Vector3())).normalize()
      const away = fitted(box, centre, direction, this.perspective.aspect, MARGIN)
      const eye = centre.clone().addScaledVector(direction, away)
      void controls.setLookAt(eye.x, eye.y, eye.z, centre.x, centre.y, centre.z, animate)
      this.perspective.near = away / 200
      this.perspective.far = away * 40 + radius * 20
      this.perspective.updateProjectionMatrix()
    } else {
      const from = this.view === 'own' ? this.own : directions[this.view]
      const eye = centre.clone().addScaledVector(from, radius * 4)
      void controls.setLookAt(eye.x, eye.y, eye.z, centre.x, centre.y, centre.z, false)
      const half = flatReach(box, from, this.perspective.aspect)
      this.parallel.top = half
      this.parallel.bottom = -half
      this.parallel.left = -half * this.perspective.aspect
      this.parallel.right = half * this.perspective.aspect
      this.parallel.updateProjectionMatrix()
      void controls.zoomTo(1, false)
    }
    this.frames.drawNow()
  }

  get viewpoint(): Viewpoint {
    const [eye, target] = [new THREE.Vector3(), new THREE.Vector3()]
    this.controls.getPosition(eye)
    this.controls.getTarget(target)
    const flat = this.view !== 'perspective'
    return {
      eye: eye.toArray(),
      target: target.toArray(),
      ...(flat && { height: (this.parallel.top - this.parallel.bottom) / this.parallel.zoom }),
    }
  }

  /** Looks from where it was looked before; flat or in perspective as the view is now. */
  lookFrom({ eye, target, height }: Viewpoint): void {
    void this.controls.setLookAt(...eye, ...target, false)
    this.own
      .set(...eye)
      .sub(new THREE.Vector3(...target))
      .normalize()
    if (height !== undefined) {
      this.parallel.top = height / 2
      this.parallel.bottom = -height / 2
      void this.flat.zoomTo(1, false)
      this.resize(this.width, this.height)
    } else {
      const away = new THREE.Vector3(...eye).distanceTo(new THREE.Vector3(...target))
      this.perspective.near = away / 200
      this.perspective.far = away * 60
      this.perspective.updateProjectionMatrix()
    }
    this.frames.drawNow()
  }

  /** Whether all of a box is in the picture. */
  shows(box: THREE.Box3): boolean {
    this.camera.updateMatrixWorld()
    return cornersAt(box).every((corner) => {
      const { x, y, seen } = this.toScreen(corner)
      return seen && x >= 0 && y >= 0 && x <= this.width && y <= this.height
    })
  }

  /** A box about what is looked at that fills the picture as it is. */
  seen(): THREE.Box3 {
    const { eye, target, height } = this.viewpoint
    const middle = new THREE.Vector3(...target)
    const away = middle.distanceTo(new THREE.Vector3(...eye))
    const tall = height ?? 2 * away * Math.tan(THREE.MathUtils.degToRad(this.perspective.fov) / 2)
    // As much as the margins of a framed picture leave of its height, whichever way it is looked at.
    return new THREE.Box3().setFromCenterAndSize(middle, new THREE.Vector3().setScalar(tall / 2))
  }

  /** Asks for a picture; many askings make one. */
  invalidate(): void {
    this.frames.invalidate()
  }

  shadowsChanged(): void {
    this.frames.shadowsChanged()
  }

  /** The picture as it stands, drawn and read at once on the stage's own ground. */
  snapshot(): string {
    this.controls.update(1)
    this.frames.drawAll()
    const { width, height } = this.canvas
    const sheet = Object.assign(document.createElement('canvas'), { width, height })
    const paint = sheet.getContext('2d')!
    paint.fillStyle = getComputedStyle(document.documentElement).getPropertyValue('--stage').trim() || '#f1ece1'
    paint.fillRect(0, 0, width, height)
    paint.drawImage(this.canvas, 0, 0)
    return sheet.toDataURL('image/png')
  }

  /** Of the picture, in pixels of the page. */
  get size(): { readonly width: number; readonly height: number } {
    return { width: this.width, height: this.height }
  }

  toScreen(point: THREE.Vector3): ScreenPoint {
    const p = point.clone().project(this.camera)
    return { x: ((p.x + 1) / 2) * this.width, y: ((1 - p.y) / 2) * this.height, seen: p.z > -1 && p.z < 1 }
  }

  /** Tells where the corners of things are seen; undefined where one of the eight corners is behind the eye or far beyond. */
  screen(): (corners: Float64Array) => ScreenPlaces | undefined {
    const { camera, width, height } = this
    camera.updateMatrixWorld()
    const { elements: m } = new THREE.Matrix4().multiplyMatrices(camera.projectionMatrix, camera.matrixWorldInverse)
    const places: { x: number; y: number }[] = Array.from({ length: 8 }, () => ({ x: 0, y: 0 }))
    return (corners) => {
      for (let c = 0; c < 8; c++) {
        const [x, y, z] = [corners[3 * c], corners[3 * c + 1], corners[3 * c + 2]]
        const w = m[3] * x + m[7] * y + m[11] * z + m[15]
        const depth = (m[2] * x + m[6] * y + m[10] * z + m[14]) / w
        if (w <= 0 || depth <= -1 || depth >= 1) return undefined
        places[c].x = (((m[0] * x + m[4] * y + m[8] * z + m[12]) / w + 1) / 2) * width
        places[c].y = ((1 - (m[1] * x + m[5] * y + m[9] * z + m[13]) / w) / 2) * height
      }
      return places
    }
  }

  /** An outline on the screen as it can be asked for later, wherever it is looked from by then. */
  region(outline: readonly { readonly x: number; readonly y: number }[]): Region {
    const { camera, width, height } = this
    camera.updateMatrixWorld()
    const view = new THREE.Matrix4().multiplyMatrices(camera.projectionMatrix, camera.matrixWorldInverse).toArray()
    return { view, corners: outline.map(({ x, y }) => [(2 * x) / width - 1, 1 - (2 * y) / height]) }
  }

  /** Metres that one pixel covers at a point. */
  metresPerPixel(at: THREE.Vector3): number {
    if (this.view !== 'perspective')
      return (this.parallel.top - this.parallel.bottom) / this.parallel.zoom / this.height
    const distance = at
      .clone()
      .sub(this.perspective.position)
      .dot(this.perspective.getWorldDirection(new THREE.Vector3()))
    return (2 * Math.tan(THREE.MathUtils.degToRad(FIELD_OF_VIEW / 2)) * Math.max(distance, 1e-3)) / this.height
  }

  ray(clientX: number, clientY: number): THREE.Ray {
    const { left, top } = this.canvas.getBoundingClientRect()
    const x = ((clientX - left) / this.width) * 2 - 1
    const y = 1 - ((clientY - top) / this.height) * 2
    this.camera.updateMatrixWorld()
    this.raycaster.setFromCamera(new THREE.Vector2(x, y), this.camera)
    return this.raycaster.ray
  }

  /** How far along a line (from a point, in a direction) the pointer is: where line and pointer's ray come closest. */
  alongLine(clientX: number, clientY: number, origin: THREE.Vector3, direction: THREE.Vector3): number | undefined {
    const ray = this.ray(clientX, clientY)
    const between = origin.clone().sub(ray.origin)
    const b = direction.dot(ray.direction)
    const denominator = 1 - b * b
    if (denominator < 1e-6) return undefined
    return (b * between.dot(ray.direction) - between.dot(direction)) / denominator
  }

  /** Where the pointer meets a plane through a point. */
  onPlane(clientX: number, clientY: number, point: THREE.Vector3, normal: THREE.Vector3): THREE.Vector3 | undefined {
    const plane = new THREE.Plane().setFromNormalAndCoplanarPoint(normal, point)
    return this.ray(clientX, clientY).intersectPlane(plane, new THREE.Vector3()) ?? undefined
  }

  /** The plane in which things are dragged in this view: the ground, or the picture's own. */
  dragNormal(): THREE.Vector3 {
    if (this.view === 'own') return this.own.clone()
    const hidden = hiddenAxis[this.view] ?? 1
    return new THREE.Vector3().setComponent(hidden, 1)
  }

  dispose(): void {
    this.frames.dispose()
    this.around.dispose()
    this.flat.dispose()
    letGoOfAll(this.scene)
    this.canvas.removeEventListener('webglcontextlost', this.waitForIt)
    this.canvas.removeEventListener('webglcontextrestored', this.goOn)
    clearTimeout(this.givenUp)
    this.renderer.dispose()
    // A browser keeps few drawings at a time and takes the oldest away for one more: this one need not wait to be collected.
    this.renderer.forceContextLoss()
  }
}
