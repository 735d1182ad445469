import { linearOf, toHex } from '../colors'
import type { Mesh } from '../geometry/mesh'

/**
 * A mesh in another colour: what has the part's own takes the new one, and surfaces with colours of their own are tinted by
 * it, multiplied in linear light. Only sections change, so that everything else is shared.
 */
export function tinted(mesh: Mesh, own: string, color: string): Mesh {
  const by = linearOf(color)
  const mixed = (c: string): string => toHex(linearOf(c).map((n, i) => n * by[i]))
  const shown = (c: string | undefined): string => (c === undefined || c === own ? color : mixed(c))
  return { ...mesh, sections: mesh.sections.map((s) => ({ ...s, color: shown(s.color) })) }
}
