import { current } from 'immer'
import type { Vec3 } from '../geometry/vec'
import type { Cut, Member, MeshShape, Part } from '../model/part'
import { MOST_CUTS, MOST_MEMBERS, MOST_RUNS } from '../model/part'
import type { Project } from '../model/project'
import { namer } from '../names'
import { answeredAlike } from './unlink'
import { type Result, done, refused } from '../words'
import { type PartSource, readMeshOf } from '../parts/partMesh'
import { extentOf, piecesOf } from '../parts/pieces'

/** How a part is to be split: into its pieces, its looks, or some faces and the rest, these as runs of triangles. */
export type Split = { readonly by: 'pieces' | 'looks' } | { readonly by: 'faces'; readonly runs: readonly number[] }

/** What a part would fall into: how each piece is cut out of its file, where it lies there, and how many triangles it has. */
export interface Fallen {
  readonly cut: Cut
  readonly low: Vec3
  readonly high: Vec3
  readonly triangles: number
}

/**
 * What a part falls into, by the mesh of its file. Refused for a part that is made of numbers or of parts, for one that falls into a
 * single piece or into more than an assembly holds, and under a picture that lies over it as a whole.
 */
export function fallsInto(part: Part, source: PartSource, how: Split): Result<Fallen[]> {
  const { name, shape, look } = part
  if (shape.kind === 'assembly') return refused(`${name} is made of parts. Pick a copy of it and take it apart.`)
  if (shape.kind !== 'mesh')
    return refused(`${name} is made of numbers: it is one piece. What comes from a file can be split.`)
  if (look.picture) return refused(`A picture lies over all of ${name}. Take it off, then split it.`)
  if ((shape.cuts?.length ?? 0) >= MOST_CUTS)
    return refused(`${name} has been split `, { count: MOST_CUTS }, ' times. Split it in its file.')
  const mesh = readMeshOf(shape, source)
  if (!mesh) return refused(`The file of ${name} is not read yet. Wait a moment.`)
  const cuts = cutsOf(mesh, how)
  if (how.by === 'faces' && how.runs.length > MOST_RUNS)
    return refused('Those faces lie too scattered in the file to be told. Pick fewer of them.')
  if (cuts.length > MOST_MEMBERS)
    return refused(
      `${name} falls into `,
      { count: cuts.length },
      ' pieces; an assembly holds up to ',
      { count: MOST_MEMBERS },
      how.by === 'pieces' ? '. Split it by its looks, or by faces.' : '. Split it by pieces, or by faces.',
    )
  const fallen = cuts.map((cut): Fallen => ({ cut, ...extentOf(mesh, [cut]) }))
  if (fallen.length < 2) return refused(`${name} ${one[how.by]}: there is nothing to split.`)
  if (fallen.some(({ triangles }) => triangles === 0))
    return refused('Pick some faces of it, and leave some: those become a part, the rest another.')
  return done(fallen)
}

const one: Readonly<Record<Split['by'], string>> = {
  pieces: 'hangs together in one piece',
  looks: 'has one look',
  faces: 'has one face',
}

function cutsOf(mesh: Parameters<typeof piecesOf>[0], how: Split): Cut[] {
  if (how.by !== 'faces') return piecesOf(mesh, how.by).map((_, number) => ({ by: how.by, number }))
  const runs = [...how.runs]
  return [
    { by: 'faces', runs },
    { by: 'faces', runs, rest: true },
  ]
}

/**
 * Makes a part the assembly of what it falls into, each a part of its own. They keep its axes and its look, so that nothing moves; its
 * copies, links, points and swaps are what they were.
 *
 * @param draft changed
 * @param fallen as `fallsInto` tells
 * @param newId makes an id that no one else has
 * @returns the ids of the new parts
 */
export function splitPart(draft: Project, id: string, fallen: readonly Fallen[], newId: () => string): string[] {
  const whole = draft.parts.find((p) => p.id === id)
  if (whole?.shape.kind !== 'mesh') return []
  const { look, lettering, name, shape } = current(whole) as Part & { shape: MeshShape }
  const nameOf = namer([...draft.parts, ...draft.patterns])
  const parts = fallen.map(({ cut, low, high, triangles }, k): Part => ({
    id: newId(),
    name: nameOf(`${name.slice(0, 70)} ${k + 1}`),
    shape: { ...shape, cuts: [...(shape.cuts ?? []), cut], low: [...low], high: [...high], triangles },
    look: { ...look },
    ...(lettering && { lettering }),
  }))
  const at = draft.parts.indexOf(whole)
  draft.parts.splice(at, 0, ...parts)
  whole.shape = {
    kind: 'assembly',
    members: parts.map((part, k): Member => ({
      id: `m${k + 1}`,
      part: part.id,
      move: [0, 0, 0],
      turn: [0, 0, 0],
      size: [1, 1, 1],
    })),
  }
  for (const pattern of draft.patterns) for (const part of parts) answeredAlike(pattern, id, part.id)
  return parts.map((part) => part.id)
}
