import type { CardBody, CreateBody, ProblemDocument, ProjectCard, StoredProject } from '@hilera/server/api'
import type { Patch } from '@hilera/core/model/patches'
import { Away } from '../saving/queue'

/** The server said no; the message is its sentence. */
export class Refusal extends Error {
  constructor(readonly problem: ProblemDocument) {
    super(problem.detail)
  }
}

const NOT_THERE = 'The server cannot be reached. Changes are kept in this browser and sent when it is back.'

async function call(method: string, path: string, init: RequestInit = {}): Promise<Response> {
  let response: Response
  try {
    response = await fetch(`/api${path}`, { method, ...init })
  } catch {
    throw new Away(NOT_THERE)
  }
  if (response.ok) return response
  if (response.status === 429)
    throw new Away('The server is busy. Changes are kept in this browser and sent in a moment.')
  if ([502, 503, 504].includes(response.status)) throw new Away(NOT_THERE)
  const problem = (await response.json().catch(() => undefined)) as ProblemDocument | undefined
  throw new Refusal(
    problem ?? {
      type: 'about:blank',
      title: response.statusText,
      status: response.status,
      detail: `The server answered ${response.status}.`,
    },
  )
}

const json = (body: unknown): RequestInit => ({
  body: JSON.stringify(body),
  headers: { 'Content-Type': 'application/json' },
})
const read = async <T>(response: Promise<Response>): Promise<T> => (await response).json() as Promise<T>

export const api = {
  listProjects: () => read<ProjectCard[]>(call('GET', '/projects')),
  listBin: () => read<ProjectCard[]>(call('GET', '/projects?bin=1')),
  createProject: (body: CreateBody) => read<StoredProject>(call('POST', '/projects', json(body))),
  readProject: (id: string) => read<StoredProject>(call('GET', `/projects/${id}`)),
  saveProject: (id: string, revision: number, patches: readonly Patch[]) => {
    const { body, headers } = json(patches)
    return read<{ revision: number; changedAt: string }>(
      call('PATCH', `/projects/${id}`, { body, headers: { ...(headers as object), 'If-Match': `"${revision}"` } }),
    )
  },
  saveCard: (id: string, card: CardBody) => call('PUT', `/projects/${id}/card`, json(card)),
  binProject: (id: string) => call('DELETE', `/projects/${id}`),
  restoreProject: (id: string) => call('POST', `/projects/${id}/restore`),
  duplicateProject: (id: string) => read<StoredProject>(call('POST', `/projects/${id}/duplicate`)),
  putFile: (sha256: string, bytes: Uint8Array<ArrayBuffer>) => call('PUT', `/files/${sha256}`, { body: bytes }),
  readFile: async (sha256: string) => new Uint8Array(await (await call('GET', `/files/${sha256}`)).arrayBuffer()),
}
