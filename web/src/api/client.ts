import type {
  CardBody,
  CreateBody,
  ProblemDocument,
  ProjectCard,
  RecipeBody,
  RecipeCard,
  SaveBody,
  Saved,
  StoredHistory,
  StoredProject,
  StoredRecipe,
  VersionBody,
  VersionCard,
} from '@hilera/server/api'
import { Away } from '../saving/away'

/** The server said no; the message is its sentence. */
export class Refusal extends Error {
  constructor(readonly problem: ProblemDocument) {
    super(problem.detail)
  }
}

export const NOT_THERE = 'The server cannot be reached. Try again when it is back.'

const problemOf = (response: Response): Promise<ProblemDocument | undefined> =>
  response.json().then(
    (body) => body as ProblemDocument,
    () => undefined,
  )

async function call(method: string, path: string, init: RequestInit = {}): Promise<Response> {
  let response: Response
  try {
    response = await fetch(`/api${path}`, { method, ...init })
  } catch {
    throw new Away(NOT_THERE)
  }
  if (response.ok) return response
  if (response.status === 429) throw new Away('The server is busy. Try again in a moment.')
  if ([502, 503, 504].includes(response.status)) throw new Away(NOT_THERE)
  if (response.status === 401)
    throw new Away((await problemOf(response))?.detail ?? 'You are signed out. Reload this page.')
  if (response.status === 500 || response.status === 507)
    throw new Away((await problemOf(response))?.detail ?? 'The server has failed. Try again.')
  const problem = await problemOf(response)
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

/** Bytes as an address of data. */
const addressOf = (blob: Blob): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader()
    reader.onload = () => resolve(reader.result as string)
    reader.onerror = () => reject(new Error('The picture cannot be read. Try again.'))
    reader.readAsDataURL(blob)
  })

export const api = {
  listProjects: () => read<ProjectCard[]>(call('GET', '/projects')),
  listBin: () => read<ProjectCard[]>(call('GET', '/projects?bin=1')),
  createProject: (body: CreateBody) => read<StoredProject>(call('POST', '/projects', json(body))),
  readProject: (id: string) => read<StoredProject>(call('GET', `/projects/${id}`)),
  readHistory: (id: string) => read<StoredHistory>(call('GET', `/projects/${id}/history`)),
  saveProject: (id: string, revision: number, save: SaveBody) => {
    const { body, headers } = json(save)
    return read<Saved>(
      call('PATCH', `/projects/${id}`, { body, headers: { ...(headers as object), 'If-Match': `"${revision}"` } }),
    )
  },
  saveCard: (id: string, card: CardBody) => call('PUT', `/projects/${id}/card`, json(card)),
  emptyBin: () => call('DELETE', '/projects?bin=1'),
  binProject: (id: string) => call('DELETE', `/projects/${id}`),
  restoreProject: (id: string) => call('POST', `/projects/${id}/restore`),
  duplicateProject: (id: string) => read<StoredProject>(call('POST', `/projects/${id}/duplicate`)),
  listVersions: (id: string) => read<VersionCard[]>(call('GET', `/projects/${id}/versions`)),
  keepVersion: (id: string, body: VersionBody) =>
    read<VersionCard>(call('POST', `/projects/${id}/versions`, json(body))),
  readVersion: (id: string, version: string) =>
    read<VersionCard & Pick<StoredProject, 'document'>>(call('GET', `/projects/${id}/versions/${version}`)),
  noteVersion: (id: string, version: string, note: string) =>
    read<VersionCard>(call('PATCH', `/projects/${id}/versions/${version}`, json({ note }))),
  /** A picture as an address of data, by where it lies. */
  readPicture: async (address: string) => addressOf(await (await call('GET', address.replace(/^\/api/, ''))).blob()),
  removeVersion: (id: string, version: string) => call('DELETE', `/projects/${id}/versions/${version}`),
  duplicateVersion: (id: string, version: string) =>
    read<StoredProject>(call('POST', `/projects/${id}/versions/${version}/duplicate`)),
  listRecipes: () => read<RecipeCard[]>(call('GET', '/recipes')),
  keepRecipe: (body: RecipeBody) => read<RecipeCard>(call('POST', '/recipes', json(body))),
  readRecipe: (id: string) => read<StoredRecipe>(call('GET', `/recipes/${id}`)),
  renameRecipe: (id: string, name: string) => read<RecipeCard>(call('PATCH', `/recipes/${id}`, json({ name }))),
  removeRecipe: (id: string) => call('DELETE', `/recipes/${id}`),
  putFile: (sha256: string, bytes: Uint8Array<ArrayBuffer>) => call('PUT', `/files/${sha256}`, { body: bytes }),
  readFile: async (sha256: string) => new Uint8Array(await (await call('GET', `/files/${sha256}`)).arrayBuffer()),
}
