import { produce } from 'immer'
import { boundsOfPart } from '../parts/support'
import type { PartSource } from '../parts/partMesh'
import type { Part } from '../model/part'
import { patternsIn } from '../model/grouping'
import type { Group, Project } from '../model/project'
import { referencesOf, thingsUsed } from '../model/references'
import { takenOut } from './acrossProjects'

/** A placeholder has room in all three directions, however flat the part is for which it stands, in metres. */
const LEAST = 1e-4

/**
 * What some patterns say without their parts, to be used with others: a project of its own, in which a placeholder of the same name and
 * size stands for each part that is dealt. Gaps and overlaps stay as they were until other parts take their place (`bringIn`, its `given`).
 *
 * Lights keep their numbers, as nothing else can stand in for them; a part that a ground is made of comes along. Earlier states of the
 * patterns do not, nor a group of which one pattern alone comes along, nor what they say aside of a part inside an assembly, for which one placeholder stands.
 *
 * @param ids patterns of the project; those that they rest on come along
 */
export function recipeOf(project: Project, ids: readonly string[], source: PartSource): Project {
  const own = takenOut(project, ids)
  const patterns = produce(own.patterns, (all) => {
    for (const pattern of all) {
      delete pattern.was
      delete pattern.baseline
      const group = groupToKeep(own, pattern.group)
      if (group) pattern.group = group
      else delete pattern.group
    }
  })
  const dealt = new Set(patterns.flatMap((pattern) => [...thingsUsed(pattern)]))
  const variants = own.parts.flatMap((part) => (dealt.has(part.id) ? (part.variants ?? []) : []))
  for (const id of variants) dealt.add(id)
  const parts = own.parts.map((part) => (dealt.has(part.id) ? standIn(part, source) : part))
  // What only the parts themselves rested on is not needed any more.
  return takenOut({ ...own, parts, patterns }, ids)
}

/** The nearest group about a pattern that holds another one too, or that something mirrors as a whole. */
function groupToKeep(recipe: Project, id: string | undefined): string | undefined {
  const mirrored = new Set(
    recipe.patterns.flatMap((p) =>
      referencesOf(p).flatMap((r) => (r.to === 'group' && r.path[0] === 'layout' ? [r.id] : [])),
    ),
  )
  let group: Group | undefined = recipe.groups.find((g) => g.id === id)
  while (group && !mirrored.has(group.id) && patternsIn(recipe, group.id).length < 2) {
    const { parent } = group
    group = recipe.groups.find((g) => g.id === parent)
  }
  return group?.id
}

/** The parts of a recipe that others are to take the place of. */
export const rolesOf = (recipe: Project): Part[] => recipe.parts.filter(({ shape }) => shape.kind === 'placeholder')

function standIn(part: Part, source: PartSource): Part {
  if (part.shape.kind === 'light') return part
  const { low, high } = boundsOfPart(part, source)
  const [width, height, depth] = [0, 1, 2].map((i) => Math.max(high[i] - low[i], LEAST))
  const pivot = [-(low[0] + high[0]) / 2, -low[1], -(low[2] + high[2]) / 2] as const
  const { id, name, look, points, clearance, chances, variants } = part
  return {
    id,
    name,
    shape: { kind: 'placeholder', width, height, depth },
    look: { color: look.color, roughness: look.roughness, metal: look.metal },
    ...(pivot.some((n) => n !== 0) && { frame: { pivot: [...pivot], up: 'top', front: 'front' } }),
    ...(points && { points }),
    ...(clearance !== undefined && { clearance }),
    ...(chances !== undefined && { chances }),
    ...(variants && { variants }),
  }
}
