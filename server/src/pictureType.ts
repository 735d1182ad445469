/** What a kept picture is, by how it begins; browsers that cannot write WebP send PNG. */
export const pictureType = (picture: Buffer): 'image/webp' | 'image/png' =>
  picture.toString('latin1', 8, 12) === 'WEBP' ? 'image/webp' : 'image/png'
