import { api, Refusal } from '../api/client'
import { Conflict, type Target } from './queue'
import type { StepBook } from './stepBook'

/** Changes go to the server as patches of a revision, and what was done along with them. */
export const serverTarget = (book: StepBook): Target => ({
  read: (id) => api.readProject(id),
  async send(id, revision, patches, document) {
    const history = book.newSteps(document)
    try {
      const saved = await api.saveProject(id, revision, { patches, ...(history && { history }) })
      if (history) book.saved(saved)
      return saved
    } catch (fault) {
      if (fault instanceof Refusal && fault.problem.status === 409) throw new Conflict(fault.message)
      throw fault
    }
  },
})
