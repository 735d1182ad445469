import { api, Refusal } from '../api/client'
import { Conflict, type Target } from './queue'

/** Changes go to the server as patches of a revision. */
export const serverTarget: Target = {
  read: (id) => api.readProject(id),
  async send(id, revision, patches) {
    try {
      return await api.saveProject(id, revision, patches)
    } catch (fault) {
      if (fault instanceof Refusal && fault.problem.status === 409) throw new Conflict(fault.message)
      throw fault
    }
  },
}
