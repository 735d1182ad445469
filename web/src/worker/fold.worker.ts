import type { MeshLibrary } from '@hilera/core/parts/partMesh'
import type { Project } from '@hilera/core/model/project'
import type { FoldOptions } from '@hilera/core/shapes/fold'
import { type ProjectFold, foldProject } from '@hilera/core/folding/foldProject'
import * as Comlink from 'comlink'

/** Looks for parts that are one shape. Lives for one run: stopping it is ending the worker. */
const folding = {
  fold(project: Project, meshes: MeshLibrary, options: FoldOptions, onProgress: (share: number) => void): ProjectFold {
    let told = 0
    return foldProject(
      project,
      { parts: project.parts, meshes },
      options,
      (kind) => `${kind}-${crypto.randomUUID().slice(0, 13)}`,
      (share) => {
        if (share - told < 0.01 && share < 1) return
        told = share
        onProgress(share)
      },
    )
  },
}

export type Folding = typeof folding

Comlink.expose(folding)
