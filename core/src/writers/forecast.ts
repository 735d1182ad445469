import { triangleCount } from '../geometry/mesh'
import { type Result, done, refused } from '../words'
import type { Forecast } from './definition'
import { type Fate, type WorkedScene, fateOf, guisesIn, meshOfGuise } from './scene'

/** What of a scene is written and what is left out, in any format; refused where there is nothing to write. */
export function countScene(scene: WorkedScene): Result<Omit<Forecast, 'bytes'>> {
  const { project, outcomes } = scene
  const counts: Record<Fate, number> = {
    written: 0,
    light: 0,
    placeholder: 0,
    empty: 0,
    away: 0,
    leftOut: 0,
    hidden: 0,
  }
  for (const [i, { hidden, name }] of project.patterns.entries()) {
    const { expanded: table, problem } = outcomes[i]
    if (problem && !hidden) return refused(`${name} cannot be placed: `, ...problem.says)
    for (let k = 0; k < table.count; k++) {
      const fate = fateOf(project, hidden, table, k)
      // Of a hidden pattern only the copies that would be seen are told.
      if (!hidden || fate === 'hidden') counts[fate]++
    }
  }
  const copies = counts.written + counts.light
  if (copies === 0) return refused('There is no copy to export. Add a pattern, or show one that is hidden.')
  const guises = [...guisesIn(scene).values()]
  let [triangles, twins] = [0, 0]
  for (const { guise, copies: times } of guises) {
    const mesh = meshOfGuise(scene, guise)
    if (!mesh) return refused(`The mesh of ${project.parts[guise.part].name} is not there. Drop its file again.`)
    // A mesh without a triangle is none in any format.
    if (triangleCount(mesh) === 0)
      return refused(`${project.parts[guise.part].name} is empty. Put something into it, or take its copies out.`)
    triangles += times * triangleCount(mesh)
    if (guise.twin) twins += times
  }
  return done({
    copies,
    meshes: guises.length,
    triangles,
    emptyPlaces: counts.empty,
    movedAcross: counts.away,
    leftOut: counts.leftOut,
    twins,
    hiddenPatterns: project.patterns.filter((p) => p.hidden).length,
    hiddenCopies: counts.hidden,
    placeholders: counts.placeholder,
    lights: counts.light,
  })
}
