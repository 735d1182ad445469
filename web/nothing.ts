/** Stands for a module of Node in the browser. */
export default {}
