/** What is said of something thrown: its own sentence, since what people can cause is thrown with one. */
export const saidBy = (fault: unknown): string => (fault instanceof Error ? fault.message : String(fault))
