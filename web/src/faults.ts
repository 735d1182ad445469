/** Said of code that is fetched when it is first needed, while the server is away. */
export const NOT_FETCHED =
  'This is needed for the first time, and the server does not answer. Nothing is lost; try again when it does.'

/** What browsers say of it, each in its own words, with the address of the code. */
const NOT_IMPORTED = /dynamically imported module|importing a module script failed/i

/** What is said of something thrown: its own sentence, since what people can cause is thrown with one. */
export function saidBy(fault: unknown): string {
  const says = fault instanceof Error ? fault.message : String(fault)
  return NOT_IMPORTED.test(says) ? NOT_FETCHED : says
}
