import { MOST_PIXELS, type Plan, inPlane, planTypes, scaledPlan } from '@hilera/core/plans/plan'
import { pictureKey } from '@hilera/core/parts/partMesh'
import { pictureMesh } from '@hilera/core/parts/pictureMesh'
import { sha256Of } from '@hilera/core/sha256'
import type { Problem, Sentence } from '@hilera/core/words'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { api } from '../api/client'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { usePicking } from '../stores/picking'
import type { Vec3 } from '@hilera/core/values/values'
import { useUnderEdits } from './underEdits'

const MAX_BYTES = 64 * 1024 * 1024
/** A picture comes in so wide, until it is told how wide it is in truth. */
const FIRST_WIDTH = 2
/** Metres to the units in which a drawing may say its own width. */
const SVG_UNITS: Readonly<Record<string, number>> = { mm: 0.001, cm: 0.01, in: 0.0254, pt: 0.0254 / 72, pc: 0.0254 / 6 }

/** How wide and high a drawing says it is in its own units, and metres to one of them where it says that too. */
export function sizeOfDrawing(text: string): { pixels: [number, number]; perPixel?: number } | undefined {
  const root = /<svg\b[^>]*>/i.exec(text)?.[0]
  if (!root) return undefined
  const said = (name: string): RegExpExecArray | null =>
    new RegExp(`\\b${name}\\s*=\\s*["']\\s*([\\d.]+)([a-z%]*)`, 'i').exec(root)
  const box = /\bviewBox\s*=\s*["']\s*[-\d.e]+[\s,]+[-\d.e]+[\s,]+([\d.e]+)[\s,]+([\d.e]+)/i.exec(root)
  const [width, height] = [said('width'), said('height')]
  const pixels: [number, number] = box
    ? [Number(box[1]), Number(box[2])]
    : [Number(width?.[1] ?? 0), Number(height?.[1] ?? 0)]
  if (!(pixels[0] > 0 && pixels[1] > 0)) return undefined
  const unit = width && SVG_UNITS[width[2].toLowerCase()]
  return { pixels, ...(width && unit && { perPixel: (unit * Number(width[1])) / pixels[0] }) }
}

/** Plans: read from files, and scaled by two places and what lies between them in truth. */
export const usePlans = defineStore('plans', () => {
  const document = useDocument()
  const outcomes = useOutcomes()
  const picking = usePicking()
  const edits = useUnderEdits()
  /** The two places by which a plan is about to be scaled. */
  const scaling = shallowRef<{ readonly id: string; readonly from: Vec3; readonly to: Vec3 }>()

  /** @returns why a file cannot be laid down */
  async function add(file: File, lies: Plan['lies']): Promise<Sentence | undefined> {
    const mime = planTypes.find((type) => type === file.type)
    if (!mime) return [`${file.name} is no picture that can be laid down. Choose a PNG, a JPEG, a WebP or an SVG.`]
    if (file.size > MAX_BYTES) return [`${file.name} is larger than 64 MB. Choose a smaller picture.`]
    const bytes = new Uint8Array(await file.arrayBuffer())
    const size = mime === 'image/svg+xml' ? sizeOfDrawing(new TextDecoder().decode(bytes)) : await sizeOfPicture(file)
    if (!size) return [`${file.name} cannot be read as a picture. Open it elsewhere and save it as a PNG.`]
    const [width, height] = size.pixels
    if (mime !== 'image/svg+xml' && width * height > MOST_PIXELS)
      return [`${file.name} has more than 64 million pixels. Make it smaller, then lay it down.`]
    const sha256 = await sha256Of(bytes)
    await api.putFile(sha256, bytes)
    await outcomes.addMesh(pictureKey(sha256), pictureMesh(bytes, mime))
    edits.addPlan({
      file: sha256,
      fileName: file.name.slice(-200),
      mime,
      pixels: size.pixels,
      perPixel: size.perPixel ?? FIRST_WIDTH / width,
      lies,
      move: [0, 0, 0],
      turn: 0,
      strength: 0.7,
      hidden: false,
    })
    return undefined
  }
  async function sizeOfPicture(file: File): Promise<{ pixels: [number, number]; perPixel?: number } | undefined> {
    const image = await createImageBitmap(file).catch(() => undefined)
    return image && { pixels: [image.width, image.height] }
  }

  /** Asks for two places on a plan; their true distance is typed then. */
  async function pickScale(plan: Plan): Promise<void> {
    scaling.value = undefined
    const ends = await picking.places('Click two places whose true distance you know', 2, 2)
    if (ends) scaling.value = { id: plan.id, from: ends[0], to: ends[1] }
  }
  /** @returns why it cannot be scaled so */
  async function scale(length: number): Promise<Problem | undefined> {
    const { id, from, to } = scaling.value ?? {}
    const plan = document.project.plans.find((p) => p.id === id)
    if (!plan || !from || !to) return undefined
    if (plan.locked) return { says: [`${plan.name} is locked. Unlock it first.`] }
    const made = scaledPlan(plan, from, to, length)
    if (!made.ok) return made.problem
    scaling.value = undefined
    const { perPixel, move } = made.value
    return document.change(
      `scale of ${plan.name}`,
      edits.edit(plan.id, (u) => Object.assign(u, { perPixel, move })),
    )
  }
  /** How far apart they are as the plan is scaled now; metres. */
  const between = computed(() => {
    const { id, from, to } = scaling.value ?? {}
    const lies = document.project.plans.find((p) => p.id === id)?.lies
    if (!lies || !from || !to) return 0
    const [a, b] = [inPlane(lies, from), inPlane(lies, to)]
    return Math.hypot(b[0] - a[0], b[1] - a[1])
  })
  const leave = (): void => void (scaling.value = undefined)

  return { scaling, between, add, pickScale, scale, leave }
})
