/**
 * What is shown of the demo's projects before a browser has drawn them: how many copies stand in each, and the file in `demo/cards`
 * with its picture, which `npm run screenshots` draws anew.
 */
export const cards = {
  casaNispero: { copies: 988, picture: 'casa-nispero.webp' },
  terrace: { copies: 48, picture: 'terrace.webp' },
} as const
