/** The most memory that the process has held so far, in bytes. */
export const memoryHeld = (): number => 1024 * process.resourceUsage().maxRSS
