import type { InstanceTable } from '@hilera/core/instances'

/**
 * The bound that layouts are held against: every byte of a table's used rows written once, element by element, into a
 * warmed table that already has the room.
 */
export function writeLoop(table: InstanceTable, count: number): void {
  table.reset(count)
  const { position, quaternion, scale, thing, slotLow, slotHigh, flags } = table
  for (let k = 0; k < count; k++) {
    const [k3, k4] = [3 * k, 4 * k]
    position[k3] = k
    position[k3 + 1] = 0
    position[k3 + 2] = 0
    quaternion[k4] = 0
    quaternion[k4 + 1] = 0
    quaternion[k4 + 2] = 0
    quaternion[k4 + 3] = 1
    scale[k3] = 1
    scale[k3 + 1] = 1
    scale[k3 + 2] = 1
    thing[k] = 0
    slotLow[k] = k
    slotHigh[k] = 0
    flags[k] = 0
  }
}
