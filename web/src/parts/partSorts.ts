import { isSolid, type Part } from '@hilera/core/model/part'

/** The sorts by which parts are told apart on the wall. */
export type PartSort = 'solid' | 'mesh' | 'assembly' | 'light' | 'other'

export const partSorts: readonly { readonly value: PartSort; readonly words: string }[] = [
  { value: 'solid', words: 'Solids' },
  { value: 'mesh', words: 'Meshes' },
  { value: 'assembly', words: 'Assemblies' },
  { value: 'light', words: 'Lights' },
  { value: 'other', words: 'Others' },
]

export function sortOf({ shape }: Part): PartSort {
  if (isSolid(shape)) return 'solid'
  return shape.kind === 'mesh' || shape.kind === 'assembly' || shape.kind === 'light' ? shape.kind : 'other'
}
