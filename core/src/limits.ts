/** The most copies that one pattern may place; asked for more, it says so before anything is allocated. */
export const MAX_COPIES = 1_000_000
/** The most that all patterns of a project place together, hidden ones too: what they take of memory adds up. */
export const MAX_COPIES_IN_ALL = 2_000_000
/** The most of each that one project lists. */
export const MAX_PARTS = 20_000
export const MAX_PATTERNS = 5000
export const MAX_GROUPS = 5000
/** So long an animation is at the most, in seconds, and so many pictures it has to the second. */
export const LONGEST_MOTION = 600
export const MOST_PICTURES = 120
/** So many lights shine on the stage at once at night. */
export const MOST_LAMPS = 16
/** A number that changes goes to so many values one after another. */
export const MOST_KEYS = 8
