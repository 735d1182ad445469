declare module 'convex-hull' {
  /** The faces of the hull of points, each as places in their list. */
  export default function convexHull(points: readonly (readonly number[])[]): number[][]
}
