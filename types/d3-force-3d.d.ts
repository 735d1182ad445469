/** The parts of d3-force-3d that the bench uses; the package ships no types. */
declare module 'd3-force-3d' {
  export interface Node3 {
    x: number
    y: number
    z: number
  }
  export interface Simulation {
    alphaDecay(decay: number): Simulation
    alphaMin(least: number): Simulation
    force(name: string, force: Collide): Simulation
    stop(): Simulation
    tick(): Simulation
  }
  export interface Collide {
    strength(strength: number): Collide
  }
  export function forceSimulation(nodes: Node3[], dimensions: number): Simulation
  export function forceCollide(radius: number): Collide
}
