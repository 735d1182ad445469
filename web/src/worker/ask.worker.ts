import { type Answer, type Asked, ask } from '@hilera/core/asking/ask'
import { Evaluator } from '@hilera/core/evaluate'
import type { Project } from '@hilera/core/model/project'
import type { MeshLibrary } from '@hilera/core/parts/partMesh'
import * as Comlink from 'comlink'

/** Works out the number that pays for a value. Lives for one question: stopping it is ending the worker. */
const asking = {
  ask(
    project: Project,
    meshes: MeshLibrary,
    patternId: string,
    asked: Asked,
    onTried: (count: number) => void,
  ): Answer {
    const pattern = project.patterns.find((p) => p.id === patternId)
    if (!pattern) return { ok: false, says: ['The pattern is not there any more.'] }
    const evaluator = new Evaluator()
    let tried = 0
    return ask(pattern, asked, project, (other) => {
      onTried(++tried)
      return evaluator.evaluate(other, meshes)
    })
  },
}

export type Asking = typeof asking

Comlink.expose(asking)
