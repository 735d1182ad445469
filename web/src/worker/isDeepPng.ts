const SIGNATURE = [137, 80, 78, 71, 13, 10, 26, 10]
/** Where its head says how many bits a channel has (PNG, third edition, 11.2.1). */
const DEPTH = 24

/** Whether bytes are a PNG of 16 bits a channel: a browser's own reading of it keeps 8 of them. */
export const isDeepPng = (bytes: Uint8Array): boolean =>
  SIGNATURE.every((byte, i) => bytes[i] === byte) && bytes[DEPTH] === 16
