import { minus, plus } from '../../geometry/vec'
import type { Project, SavedView } from '../../model/project'
import type { Vec3 } from '../../values/values'
import { eased } from '../easing'
import type { CameraKey } from './schema'

/** From where it is looked: the eye, what it looks at, and in a flat view how many metres the picture is high. */
export type Viewpoint = Pick<SavedView, 'eye' | 'target' | 'height'>

/** About what is looked at: the way round from the front to the right, the way up from the level (radians), and how far (metres). */
interface About {
  readonly round: number
  readonly up: number
  readonly away: number
}

function aboutOf({ eye, target }: Viewpoint): About {
  const [x, y, z] = minus(eye, target)
  return { round: Math.atan2(x, z), up: Math.atan2(y, Math.hypot(x, z)), away: Math.hypot(x, y, z) }
}

/** From straight above or below there is no way round: it is that of the other view. */
const isSteep = ({ up }: About): boolean => Math.abs(up) > Math.PI / 2 - 1e-3

const mix = (a: number, b: number, share: number): number => a + (b - a) * share
/** Sizes go by their ratio, so that going near looks as even as going away. */
const ratio = (a: number, b: number, share: number): number => a * (b / a) ** share

/**
 * Between two views: round what is looked at on the shorter way, and so many times more; what is looked at goes straight, distances by their
 * ratio. A sphere's great circle was tried instead: it tips the horizon's height between two views from the same height.
 */
export function viewBetween(a: Viewpoint, b: Viewpoint, share: number, turns = 0): Viewpoint {
  if (share <= 0) return a
  if (share >= 1) return b
  const [from, to] = [aboutOf(a), aboutOf(b)]
  const start = isSteep(from) ? to.round : from.round
  const end = isSteep(to) ? from.round : to.round
  const apart = end - start
  const way = apart - 2 * Math.PI * Math.round(apart / (2 * Math.PI)) + 2 * Math.PI * turns
  const round = start + way * share
  const up = mix(from.up, to.up, share)
  const away = ratio(from.away, to.away, share)
  const target: Vec3 = [0, 1, 2].map((i) => mix(a.target[i], b.target[i], share)) as Vec3
  const level = away * Math.cos(up)
  const eye = plus(target, [level * Math.sin(round), away * Math.sin(up), level * Math.cos(round)])
  // A flat view and one in perspective have nothing between them: it is the one it comes from until it is there.
  const height = a.height !== undefined && b.height !== undefined ? ratio(a.height, b.height, share) : a.height
  return { eye, target, ...(height !== undefined && { height }) }
}

/**
 * From where the camera looks at a time, in seconds: from the first view until its time, from the last one after it.
 *
 * @returns undefined where it goes nowhere
 */
export function cameraAt({ camera, views }: Pick<Project, 'camera' | 'views'>, time: number): Viewpoint | undefined {
  const viewOf = ({ view }: CameraKey): Viewpoint | undefined => views.find(({ id }) => id === view)
  const keys = camera.filter(viewOf).toSorted((a, b) => a.at - b.at)
  const next = keys.findIndex(({ at }) => time < at)
  if (keys.length === 0) return undefined
  if (next === 0) return viewOf(keys[0])
  const before = keys[next < 0 ? keys.length - 1 : next - 1]
  if (next < 0) return viewOf(before)
  const key = keys[next]
  const share = eased(key.easing, (time - before.at) / (key.at - before.at))
  return viewBetween(viewOf(before)!, viewOf(key)!, share, key.turns)
}
