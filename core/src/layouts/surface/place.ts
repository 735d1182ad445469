import { turnTowards } from '../../geometry/rotation'
import { Randomness } from '../../random'
import { type MeshScatter, type Sheet, onMesh, sheetOf } from '../../scatter/onMesh'
import { checkCount } from '../../spacing/solve'
import { type Fact, type Result, done, fact, refused } from '../../words'
import type { LayoutContext, Placement } from '../context'
import type { Surface } from './schema'

export interface SurfaceOutcome {
  readonly kind: 'surface'
  /** Square metres that lean little enough. */
  readonly area: number
  readonly wanted: number
}

/** More least distances than these to the area are refused: nobody waits for so many. */
const MOST_PLACES = 4_000_000

/** Spreads copies over a ground by its true area. A copy's slot is the dart that placed it. */
export function placeSurface(surface: Surface, context: LayoutContext): Result<Placement<SurfaceOutcome>> {
  const { patternId, dealt, groundOf, checking } = context
  const ground = groundOf(surface.over)
  if (!ground) return refused('There is no ground to spread them over: choose one, or add one under “Under it”.')
  const count = checkCount(surface.count)
  if (!count.ok) return count
  if (surface.how === 'even' && !(surface.least > 0))
    return refused('The least distance is more than 0: type a length such as ', { length: 0.06 }, '.')
  const sheet = sheetOf(ground.corners, surface.steepest)
  if (!(sheet.area > 0))
    return refused(
      `${ground.name} leans more than `,
      { angle: surface.steepest },
      ' everywhere. Allow it to lean more.',
    )
  if (surface.how === 'even' && sheet.area / (surface.least * surface.least) > MOST_PLACES)
    return refused(
      'A least distance of ',
      { length: surface.least },
      ' is too small for so large a ground. Type a longer one.',
    )
  const random = new Randomness(surface.seed, patternId, 'surface')
  // Whether a first copy fits tells whether any does.
  const least = surface.how === 'even' ? surface.least : 0
  const scatter = onMesh(sheet, checking ? 1 : surface.count, least, random)
  const facts: Fact[] = []
  if (!checking && scatter.full)
    facts.push(fact('room', { words: `no room for ${surface.count - scatter.count} more`, tone: 'caution' }))
  return done({
    facts,
    working: [
      { count: surface.count },
      ' ÷ ',
      { area: sheet.area },
      ' = ',
      { density: surface.count / sheet.area, tone: 'good' },
    ],
    outcome: { kind: 'surface', area: sheet.area, wanted: surface.count },
    write(table) {
      table.neutral(scatter.count)
      for (let k = 0; k < scatter.count; k++) {
        const [x, z] = [scatter.points[3 * k], scatter.points[3 * k + 2]]
        // Triangles stand for a ground that bends: the place is one of the ground itself, where it lies over it.
        const y = ground.heightAt(x, scatter.points[3 * k + 1], z)
        table.setMove(k, [x, y, z])
        table.slotLow[k] = scatter.darts[k]
        if (surface.stands === 'normal') table.setTurn(k, turnTowards(ground.up, normalOf(sheet, scatter, k), Math.PI))
      }
      dealt.deal(table)
    },
  })
}

/** The normal of the triangle on which a copy stands, on its upper side. */
function normalOf({ corners: c }: Sheet, { triangles }: MeshScatter, k: number): [number, number, number] {
  const i = 9 * triangles[k]
  const [ux, uy, uz] = [c[i + 3] - c[i], c[i + 4] - c[i + 1], c[i + 5] - c[i + 2]]
  const [wx, wy, wz] = [c[i + 6] - c[i], c[i + 7] - c[i + 1], c[i + 8] - c[i + 2]]
  const [nx, ny, nz] = [uy * wz - uz * wy, uz * wx - ux * wz, ux * wy - uy * wx]
  const length = (Math.hypot(nx, ny, nz) || 1) * (ny < 0 ? -1 : 1)
  return [nx / length, ny / length, nz / length]
}
