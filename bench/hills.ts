import type { Mesh } from '@hilera/core/geometry/mesh'

/** A hilly mesh of so many cells to a side, over ten metres. */
export function hills(cells: number): Mesh {
  const side = cells + 1
  const positions = new Float32Array(3 * side * side)
  const indices: number[] = []
  for (let j = 0; j < side; j++)
    for (let i = 0; i < side; i++) {
      const [x, z] = [(10 * i) / cells - 5, (10 * j) / cells - 5]
      positions.set([x, 0.3 * Math.sin(2 * x) * Math.cos(3 * z), z], 3 * (j * side + i))
      if (i === cells || j === cells) continue
      const a = j * side + i
      indices.push(a, a + side, a + 1, a + 1, a + side, a + side + 1)
    }
  return { positions, normals: new Float32Array(positions.length), indices: Uint32Array.from(indices), sections: [] }
}
