/** The most copies that one pattern may place; asked for more, it says so before anything is allocated. */
export const MAX_COPIES = 1_000_000
