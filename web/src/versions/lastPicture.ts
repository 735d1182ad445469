import type { Project } from '@hilera/core/model/project'
import type { VersionBody } from '@hilera/server/api'

/** The small picture that was drawn last, of which state, and how many copies that has. */
let last: { readonly of: Project; readonly picture: string; readonly copies: number } | undefined

export function drewPicture(of: Project, picture: string, copies: number): void {
  last = { of, picture, copies }
}

/** What a version of a state is to show of it, where that was drawn. */
export const pictureOf = (state: Project): Pick<VersionBody, 'picture' | 'copies'> =>
  last?.of === state ? { picture: last.picture, copies: last.copies } : {}
