import { cards } from '@hilera/demo/cards'
import { expect, it } from 'vitest'
import { demoCard } from '../src/demoCards'

it('the demo has a card with a picture, as a browser draws it', async () => {
  for (const name of Object.keys(cards) as (keyof typeof cards)[]) {
    const { picture, copies } = await demoCard(name)
    expect(copies).toBeGreaterThan(0)
    expect(picture.subarray(1, 4).toString()).toBe('PNG')
    expect([picture.readUInt32BE(16), picture.readUInt32BE(20)]).toEqual([420, 262])
  }
})
