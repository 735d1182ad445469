/** The target could not be reached; it is asked again. */
export class Away extends Error {}
