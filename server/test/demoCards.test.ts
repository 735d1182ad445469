import { cards } from '@hilera/demo/cards'
import { expect, it } from 'vitest'
import { demoCard } from '../src/demoCards'
import { pictureType } from '../src/pictureType'

it('the demo has a card with a picture, as a browser draws it', async () => {
  for (const name of Object.keys(cards) as (keyof typeof cards)[]) {
    const { picture, copies } = await demoCard(name)
    expect(copies).toBeGreaterThan(0)
    expect(pictureType(picture)).toBe('image/webp')
    // Width and height, each less one, stand in its head (RFC 9649, section 2.7).
    expect(picture.toString('latin1', 12, 16)).toBe('VP8X')
    expect([picture.readUIntLE(24, 3) + 1, picture.readUIntLE(27, 3) + 1]).toEqual([420, 262])
  }
})
