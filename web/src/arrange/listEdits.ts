import { type ListPlace, type ListStep, listStep, placeInList } from '@hilera/core/model/listing'
import { useDocument } from '../stores/document'

const NOWHERE: Readonly<Record<ListStep, string>> = {
  up: 'is the first of those beside it',
  down: 'is the last of those beside it',
  in: 'has no group beside it to go into',
  out: 'lies in no group',
}

/** Patterns and groups put elsewhere in the list. */
export function useListEdits() {
  const document = useDocument()
  const nameOf = (id: string): string =>
    [...document.project.patterns, ...document.project.groups].find((own) => own.id === id)?.name ?? ''

  const place = (id: string, where: ListPlace): void =>
    void document.change(`where ${nameOf(id)} is listed`, (project) => placeInList(project, id, where))

  /** Why it has no such step. */
  const cannotStep = (id: string, step: ListStep): string | undefined =>
    listStep(document.project, id, step) ? undefined : `${nameOf(id)} ${NOWHERE[step]}.`

  function take(id: string, step: ListStep): void {
    const where = listStep(document.project, id, step)
    if (where) place(id, where)
  }

  return { place, cannotStep, take }
}
