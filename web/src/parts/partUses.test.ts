import type { Member, Part } from '@hilera/core/model/part'
import type { Pattern } from '@hilera/core/model/pattern'
import { beforeEach, expect, it, vi } from 'vitest'
import { opened, quickDemo } from '../../test/opened'
import { usePartUses } from './partUses'

vi.mock('comlink', () => import('../../test/comlink'))

const member = (part: string, x: number): Member => ({
  id: `${part}-${x}`,
  part,
  move: [x, 0, 0],
  turn: [0, 0, 0],
  size: [1, 1, 1],
})
const whole = (id: string, members: Member[]): Part => ({
  id,
  name: id,
  shape: { kind: 'assembly', members },
  look: quickDemo().parts[0].look,
})

const line = (id: string, part: string, count: number): Pattern => {
  const [tins] = quickDemo().patterns
  return {
    ...tins,
    id,
    name: id,
    deal: { ...tins.deal, parts: [part] } as Pattern['deal'],
    steps: [],
    touchUps: {},
    layout: {
      ...tins.layout,
      kind: 'line',
      hold: ['count', 'spacing'],
      count,
      spacing: 1,
    } as Pattern['layout'],
  }
}

/** A tray of two cups, a trolley of two trays and a bead; a line of three trolleys with one place empty, a line of four trays. */
beforeEach(async () => {
  const demo = quickDemo()
  await opened({
    ...demo,
    parts: [
      ...demo.parts,
      whole('tea-tray', [member('cup', 0), member('cup', 0.2)]),
      whole('trolley', [member('tea-tray', 0), member('tea-tray', 0.5), member('bead', 0)]),
    ],
    patterns: [{ ...line('trolleys', 'trolley', 3), touchUps: { '1': { empty: true } } }, line('trays', 'tea-tray', 4)],
  })
})

it('A14: copies are counted where they stand and inside others, those of assemblies inside assemblies too', () => {
  const { usesOf, copiesOf } = usePartUses()
  expect(usesOf('cup')).toEqual([
    { pattern: 'trolleys', own: 0, inside: 2 * 4 },
    { pattern: 'trays', own: 0, inside: 8 },
  ])
  expect(usesOf('tea-tray')).toEqual([
    { pattern: 'trolleys', own: 0, inside: 4 },
    { pattern: 'trays', own: 4, inside: 0 },
  ])
  expect(usesOf('trolley')).toEqual([{ pattern: 'trolleys', own: 2, inside: 0 }])
  expect(['cup', 'tea-tray', 'trolley', 'bead', 'sencha'].map(copiesOf)).toEqual([16, 8, 2, 2, 0])
})

it('A13: where a variant stands in for a part that is dealt, it is told how often', async () => {
  const demo = quickDemo()
  const dealt = line('cups', 'cup', 6)
  await opened({
    ...demo,
    parts: demo.parts.map((p) => (p.id === 'cup' ? { ...p, variants: ['bead'] } : p)),
    patterns: [
      {
        ...dealt,
        deal: { kind: 'inTurn', parts: ['cup'], variants: { called: demo.parts.find((p) => p.id === 'bead')!.name } },
        touchUps: { '1': { empty: true } },
      },
    ],
  })
  const { copiesOf, variantsOf } = usePartUses()
  expect([copiesOf('cup'), variantsOf('cup'), copiesOf('bead'), variantsOf('bead')]).toEqual([0, 5, 5, 0])
})

it('the copies to show are those that are of the part or hold it', () => {
  const { keysOf } = usePartUses()
  expect([keysOf('cup', 'trolleys'), keysOf('cup', 'trays'), keysOf('bead', 'trays')].map((k) => k.length)).toEqual([
    2, 4, 0,
  ])
})
