import { type Result, done, refused } from '../../words'
import type { Forecast } from '../definition'
import { countScene } from '../forecast'
import { type WorkedScene, guisesIn, meshOfGuise } from '../scene'
import { changesInTime } from '../../motion/changing'
import { reachedIn } from '../../motion/moments'
import { isTooMuch, picturesWithEnd } from '../../motion/pictureTracks'
import { Playing } from '../../motion/playing'
import { trackBytes, trackOfPiece } from './animation'
import { type CopyStyle, glbBytes } from './size'

/** One linked copy is one node; beyond this many, readers take minutes and the file is mostly text. */
const MAX_LINKED_COPIES = 200_000
/** From here on the compact way is offered by itself. */
export const MANY_COPIES = 50_000

/** The way of writing that suits so many copies. */
export const styleFor = (copies: number): CopyStyle => (copies > MANY_COPIES ? 'instanced' : 'linked')

/** What a GLB would hold, counted without writing it. */
export function forecastGlb(scene: WorkedScene, style: CopyStyle, motion = false): Result<Forecast> {
  const counted = countScene(scene)
  if (!counted.ok) return counted
  const { copies } = counted.value
  if (style === 'linked' && copies > MAX_LINKED_COPIES) {
    return refused(
      { count: copies },
      ' copies are more than one file of linked nodes should hold, ',
      { count: MAX_LINKED_COPIES },
      '. Write them as instances, hide some patterns, or lower a count.',
    )
  }
  if (motion && changesInTime(scene.project) && isTooMuch(copies, scene.project.clock))
    return refused(
      'Numbers that change in time are written picture by picture: ',
      { count: copies },
      ' copies in ',
      { count: picturesWithEnd(scene.project.clock) },
      ' pictures are too many for one file. Lower the pictures a second or a count, or leave the motion out.',
    )
  const meshes = [...guisesIn(scene).values()].flatMap(({ guise }) => meshOfGuise(scene, guise) ?? [])
  return done({ ...counted.value, bytes: glbBytes(meshes, copies, style) + (motion ? motionBytes(scene) : 0) })
}

/** What the motion of a scene takes, about: of each pattern one piece that moves is worked out, and counts for all. */
function motionBytes({ project, outcomes }: WorkedScene): number {
  const playing = new Playing(project, outcomes)
  const inTime = reachedIn(project)
  let bytes = 0
  for (const [i, { id, hidden }] of project.patterns.entries()) {
    const moving = hidden ? undefined : playing.of(id)
    const { table, expanded, owner } = outcomes[i]
    const bar = moving?.bars.find(({ row }) => table.isPresent(row)) ?? { row: 0 }
    if (inTime.has(id) && !hidden) {
      // One key a picture: how many of them can be left out is known when they are written.
      bytes += expanded.presentCount() * trackBytes(picturesWithEnd(project.clock))
      continue
    }
    if (!moving || expanded.presentCount() === 0) continue
    const piece = owner ? Math.max(owner.indexOf(bar.row), 0) : bar.row
    const track = trackOfPiece(moving, project.clock.length, table, owner?.[piece] ?? piece, expanded.placingOf(piece))
    if (track) bytes += expanded.presentCount() * trackBytes(track.times.length, track.shown?.times.length)
  }
  return bytes
}
