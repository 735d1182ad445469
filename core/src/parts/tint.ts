import { linearOf, toHex } from '../formats/colors'
import type { Mesh } from '../solids/mesh'

/**
 * A mesh in another colour: what has the part's colour takes the new one, and surfaces with colours of their own are tinted by
 * it, multiplied in linear light. Only sections change, so that everything else is shared.
 */
export function tinted(mesh: Mesh, color: string): Mesh {
  const by = linearOf(color)
  const mixed = (own: string): string => toHex(linearOf(own).map((n, i) => n * by[i]))
  return {
    ...mesh,
    sections: mesh.sections.map((s) => ({ ...s, color: s.color === undefined ? color : mixed(s.color) })),
  }
}
