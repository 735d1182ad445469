import { groundDefinitionOf } from '../grounds/index'
import type { Project } from '../model/project'
import { exactText } from '../numbers/exactText'
import { plural } from '../words'
import { inOneList, quoted } from './names'

/**
 * What an arrangement has beside its patterns, each as a line in brackets, which a text that is read passes over: what its groups hold,
 * what lies under it, where its camera looks from, and how many selections, views and distances are kept with it.
 */
export function besidesAsText({
  patterns,
  parts,
  groups,
  grounds,
  plans,
  views,
  camera,
  sets,
  measures,
  unit,
}: Project): string {
  const inside = (id: string): string[] => [
    ...patterns.filter((p) => p.group === id).map((p) => quoted(p.name)),
    ...groups.filter((g) => g.parent === id).map((g) => `the group ${quoted(g.name)}`),
  ]
  const partName = (id: string): string => parts.find((p) => p.id === id)?.name ?? ''
  const looks = camera.map(({ at, view }) => {
    const from = views.find((v) => v.id === view)
    return `by ${exactText(at, 'time', unit)} from ${from ? quoted(from.name) : 'a view that is gone'}`
  })
  const kept = [
    ...(sets.length > 0 ? [`${plural(sets.length, 'the selection', 'the selections')} ${inOneList(names(sets))}`] : []),
    ...(views.length > 0 ? [`${plural(views.length, 'the view', 'the views')} ${inOneList(names(views))}`] : []),
    ...(measures.length > 0 ? [`${measures.length} ${plural(measures.length, 'distance', 'distances')}`] : []),
  ]
  return [
    ...groups.map(({ id, name }) => `The group ${quoted(name)} holds ${inOneList(inside(id)) || 'nothing'}.`),
    ...grounds.map(
      ({ name, shape }) => `Under it lies ${quoted(name)}: ${groundDefinitionOf(shape).summary(shape, partName)}.`,
    ),
    ...plans.map(
      ({ name, perPixel, pixels }) =>
        `Under it lies ${quoted(name)}: a plan, ${exactText(perPixel * pixels[0], 'length', unit)} wide.`,
    ),
    ...(looks.length > 0 ? [`The camera looks ${inOneList(looks)}.`] : []),
    ...(kept.length > 0 ? [`Kept with it: ${inOneList(kept)}.`] : []),
  ]
    .map((line) => `(${line})`)
    .join('\n')
}

const names = (things: readonly { readonly name: string }[]): string[] => things.map(({ name }) => quoted(name))
