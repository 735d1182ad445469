export const views = ['perspective', 'top', 'front', 'side'] as const
export type View = (typeof views)[number]
