declare module 'poisson-disk-sampling' {
  export default class PoissonDiskSampling {
    constructor(options: { readonly shape: readonly number[]; readonly minDistance: number }, random?: () => number)
    /** All points that fit, as lists of coordinates. */
    fill(): number[][]
  }
}
