import type { Answer, Asked } from '@hilera/core/asking/ask'
import type { Project } from '@hilera/core/model/project'
import type { MeshLibrary } from '@hilera/core/parts/partMesh'
import type { Asking } from '../worker/ask.worker'
import { type Job, startJob } from '../worker/job'

/** Works out the number that pays for a value that is wanted, in a worker of its own. */
export const startAsk = (
  project: Project,
  meshes: MeshLibrary,
  patternId: string,
  asked: Asked,
  onTried: (count: number) => void,
): Job<Answer> =>
  startJob<Asking, Answer, [number]>(
    () => new Worker(new URL('../worker/ask.worker.ts', import.meta.url), { type: 'module' }),
    (to, tell) => to.ask(project, meshes, patternId, asked, tell) as Promise<Answer>,
    onTried,
    'Working it out broke off. Ask it of fewer copies.',
  )
