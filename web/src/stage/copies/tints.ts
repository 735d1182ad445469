import type { Moved } from '@hilera/core/motion/state'
import * as THREE from 'three'

/** The tints of copies on the graphics side, as `tintPlaced` reads them: made once one of them is tinted. */
export class Tints {
  private attribute: THREE.InstancedBufferAttribute | undefined
  /** Whether any of them lies over a colour. */
  private lies = false

  /** @param shapes what is drawn of the copies */
  constructor(
    private readonly count: number,
    private readonly shapes: readonly THREE.BufferGeometry[],
  ) {}

  /** All in their own colours. */
  clear(): void {
    if (!this.lies) return
    this.lies = false
    this.fill(this.attribute!)
  }

  /** Lays one over the colour of a copy. */
  lay(copy: number, { color, share }: NonNullable<Moved['tint']>): void {
    const { r, g, b } = colorOf(color)
    this.lies = true
    this.made().setXYZW(copy, share * r, share * g, share * b, 1 - share)
  }

  private made(): THREE.InstancedBufferAttribute {
    if (this.attribute) return this.attribute
    const attribute = new THREE.InstancedBufferAttribute(new Float32Array(4 * this.count), 4)
    this.fill(attribute)
    for (const shape of this.shapes) shape.setAttribute('placedTint', attribute)
    return (this.attribute = attribute)
  }

  private fill(attribute: THREE.InstancedBufferAttribute): void {
    for (let i = 0; i < this.count; i++) attribute.setXYZW(i, 0, 0, 0, 1)
    attribute.needsUpdate = true
  }

  /** What was laid is sent with the next picture. */
  send(): void {
    if (this.lies) this.attribute!.needsUpdate = true
  }
}

const colors = new Map<string, THREE.Color>()

/** In the space in which light is added up. */
function colorOf(text: string): THREE.Color {
  const known = colors.get(text) ?? new THREE.Color(text)
  colors.set(text, known)
  return known
}
