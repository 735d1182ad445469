import { NO_BOX, boxAround } from '../geometry/box'
import { roundFigure } from '../layouts/beginning'
import { newParts } from '../parts/newParts'
import type { Scene, SceneMark, SceneMesh } from '../readers/scene'
import type { Look, MeshShape, Part } from '../model/part'
import { MAX_SPOTS, type Spot } from '../layouts/spots/schema'
import type { Pattern } from '../model/pattern'
import type { Group, Project } from '../model/project'
import { MAX_GROUPS, MAX_PARTS, MAX_PATTERNS } from '../limits'
import { namer } from '../names'
import { type Result, done, refused } from '../words'

export interface SceneFile {
  readonly sha256: string
  readonly name: string
}

/** What a scene adds to a project. */
export type SceneParts = Pick<Project, 'parts' | 'patterns' | 'groups'>

/**
 * A scene as parts, patterns and groups: each mesh once as a part, each thing as a place of its own in the pattern of its
 * group, so that repeated meshes come in linked. Mirrored things become copies of the part's twin. Names that are taken are
 * numbered.
 *
 * @param newId makes an id that no one else has
 * @param before the project that it is added to
 */
export function partsOfScene(
  scene: Scene,
  file: SceneFile,
  newId: (kind: string) => string,
  before: Pick<Project, 'parts' | 'patterns' | 'groups'>,
): Result<SceneParts> {
  const most = Math.max(scene.things.length, scene.marks.length)
  if (most > MAX_SPOTS)
    return refused(
      `${file.name} has `,
      { count: most },
      ' things; up to ',
      { count: MAX_SPOTS },
      ' can stand on places of their own. Bring it in as one part, or save it in several files.',
    )
  const stem =
    file.name
      .replace(/\.[^.]+$/, '')
      .trim()
      .slice(0, 80) || 'Scene'
  const parts: Part[] = []
  const nameParts = short(before.parts)
  const partOf = new Map<number, Part>()
  const twins = new Map<number, Part>()
  const place = (mesh: number, mirrored: boolean): Part => {
    let part = partOf.get(mesh)
    if (!part) {
      part = meshPart(newId('part'), nameParts(scene.meshes[mesh]!.name), scene.meshes[mesh]!, mesh, file, scene.unit)
      parts.push(part)
      partOf.set(mesh, part)
    }
    if (!mirrored) return part
    let twin = twins.get(mesh)
    if (!twin) {
      twin = {
        id: newId('part'),
        name: nameParts(`${part.name.slice(0, 70)} twin`),
        shape: { kind: 'twin', of: part.id },
        look: part.look,
      }
      parts.push(twin)
      twins.set(mesh, twin)
    }
    return twin
  }
  const nameGroups = short(before.groups)
  const groups = scene.groups.map(({ name }): Group => ({ id: newId('group'), name: nameGroups(name) }))
  for (const [i, { parent }] of scene.groups.entries()) if (parent !== undefined) groups[i].parent = groups[parent].id

  const spotsOf = inGroups(scene.things, ({ mesh, mirrored }) => place(mesh, mirrored).id)
  // Empty nodes keep to themselves: what is dealt to them is theirs alone, and others go with them.
  const marksOf = inGroups(scene.marks)
  const marking = marksOf.size > 0 ? placeholderFor(scene, newId('part'), nameParts('Placeholder')) : undefined
  if (marking) parts.push(marking)
  // A group of things alone is a pattern itself; one with groups inside holds its things as a pattern beside them.
  const holding = new Set(scene.groups.map(({ parent }) => parent))
  const above = (group: number | undefined): number | undefined =>
    group === undefined || holding.has(group) ? group : scene.groups[group].parent
  const namePatterns = short(before.patterns)
  const pattern = (group: number | undefined, spots: Spot[], words: string, part: string): Pattern => ({
    id: newId('pattern'),
    name: namePatterns(`${group === undefined ? stem : scene.groups[group].name}${words}`),
    place: { move: [0, 0, 0], turn: [0, 0, 0] },
    deal: { kind: 'inTurn', parts: [part] },
    layout: { kind: 'spots', spots },
    steps: [],
    touchUps: {},
    hidden: false,
    ...(above(group) !== undefined && { group: groups[above(group)!].id }),
  })
  const patterns = [
    ...[...spotsOf].map(([group, spots]) => pattern(group, spots, '', spots[0].part!)),
    ...[...marksOf].map(([group, spots]) => pattern(group, spots, ' places', marking!.id)),
  ]
  const used = usedGroups(groups, patterns)
  for (const [added, most, words, there] of [
    [parts, MAX_PARTS, 'parts', before.parts],
    [patterns, MAX_PATTERNS, 'patterns', before.patterns],
    [used, MAX_GROUPS, 'groups', before.groups],
  ] as const)
    if (added.length + there.length > most)
      return refused(
        `${file.name} would bring in `,
        { count: added.length },
        ` ${words}; a project holds up to `,
        { count: most },
        '. Bring it in as one part, or save it in several files.',
      )
  return done({ parts, patterns, groups: used })
}

/** Spots where things stand, by the groups that hold them. */
function inGroups<T extends SceneMark>(
  things: readonly T[],
  partOf?: (thing: T) => string,
): Map<number | undefined, Spot[]> {
  const found = new Map<number | undefined, Spot[]>()
  for (const thing of things) {
    const { group, name, move, turn, size } = thing
    const list = found.get(group) ?? []
    found.set(group, list)
    const turned = Math.abs(turn[3]) < 1 - 1e-15
    list.push({
      slot: list.length,
      // Adding 0 makes −0 the 0 that a saved document has.
      move: move.map((n) => n + 0) as Spot['move'],
      ...(turned && { turn: turn.map((n) => n + 0) as Spot['turn'] }),
      ...(size.some((s) => s !== 1) && { size }),
      ...(partOf && { part: partOf(thing) }),
      ...(name && { name: name.slice(0, 80) }),
    })
  }
  return found
}

/** What shows where empty nodes are: a fiftieth of how far they lie apart, in round millimetres. */
function placeholderFor({ marks }: Scene, id: string, name: string): Part {
  const { low, high } = boxAround(marks.flatMap(({ move }) => move)) ?? NO_BOX
  const apart = Math.max(...high.map((n, i) => n - low[i]))
  const side = apart > 0 ? roundFigure(apart / 50, 'mm') : 0.1
  const shape = { kind: 'placeholder' as const, width: side, height: side, depth: side }
  return { id, name, shape, look: newParts.placeholder.look! }
}

/** Names that a project takes, of whatever a file says. */
function short(before: readonly { readonly name: string }[]): (wanted: string) => string {
  const name = namer(before)
  return (wanted) => name(wanted.trim().slice(0, 80) || 'Part')
}

/** Groups that hold something, directly or in groups inside them. */
function usedGroups(groups: readonly Group[], patterns: readonly Pattern[]): Group[] {
  const parents = new Map(groups.map(({ id, parent }) => [id, parent]))
  const used = new Set<string>()
  for (const { group } of patterns)
    for (let id = group; id !== undefined && !used.has(id); id = parents.get(id)) used.add(id)
  return groups.filter((g) => used.has(g.id))
}

function meshPart(
  id: string,
  name: string,
  { read }: SceneMesh,
  mesh: number,
  file: SceneFile,
  unit: MeshShape['unit'],
): Part {
  const { sections, indices } = read.mesh
  const [first] = sections
  // Where the whole mesh has one look it becomes the part's, so that it can be changed there.
  const one = sections.every(
    (s) => s.color === first.color && s.roughness === first.roughness && s.metal === first.metal,
  )
  const look: Look = {
    color: first.color ?? '#b8b2a6',
    roughness: first.roughness ?? 1,
    metal: first.metal ?? 0,
  }
  const shape: MeshShape = {
    kind: 'mesh',
    file: file.sha256,
    fileName: file.name.slice(-200),
    unit,
    mesh,
    ...(one && { looks: 'part' as const }),
    low: read.low,
    high: read.high,
    triangles: indices.length / 3,
  }
  return { id, name, shape, look }
}
