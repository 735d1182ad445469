/** The bytes of a picture that came as an address of data. */
export const pictureBytes = (address: string): Buffer => Buffer.from(address.slice(address.indexOf(',') + 1), 'base64')

/** What a kept picture is, by how it begins; browsers that cannot write WebP send PNG. */
export const pictureType = (picture: Buffer): 'image/webp' | 'image/png' =>
  picture.toString('latin1', 8, 12) === 'WEBP' ? 'image/webp' : 'image/png'
