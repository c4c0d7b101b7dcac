/** The part of the force layout that the bench uses. */
declare module 'd3-force-3d' {
  export interface Body {
    x: number;
    y: number;
    z: number;
    vx: number;
    vy: number;
    vz: number;
  }
  export type Force = ((alpha: number) => void) & { initialize?: (nodes: Body[]) => void };
  export interface Simulation {
    force(name: string, force: Force): Simulation;
    alphaDecay(decay: number): Simulation;
    velocityDecay(decay: number): Simulation;
    stop(): Simulation;
    tick(steps?: number): Simulation;
    nodes(): Body[];
  }
  export function forceSimulation(nodes: Partial<Body>[], dimensions: 3): Simulation;
}
