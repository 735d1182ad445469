/** A small drawing of what a layout or a step does, 72 wide and 40 high: the same in lists, menus and on the empty stage. */
export interface Drawing {
  /** With a size of its own where one differs: 1 is that of the others. */
  readonly dots: readonly (readonly [x: number, y: number, size?: number])[]
  /** Dots that stand for what goes with the others, smaller. */
  readonly small?: readonly (readonly [x: number, y: number])[]
  /** Places that stay empty. */
  readonly empty?: readonly (readonly [x: number, y: number])[]
  /** What they go by, dashed. */
  readonly line?: string
  /** What is done to them: strokes. */
  readonly stroke?: string
}
