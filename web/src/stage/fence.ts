/** So often it is asked whether the graphics side is done, in milliseconds. */
const EVERY = 4

/** Tells once when the graphics side has drawn all that it was given so far; nothing waits for it. Gives what gives it up. */
export function whenDrawn(context: WebGL2RenderingContext, told: () => void): () => void {
  const sync = context.fenceSync(context.SYNC_GPU_COMMANDS_COMPLETE, 0)
  context.flush()
  let timer = 0
  const ask = (): void => {
    const lost = !sync || context.isContextLost()
    if (!lost && context.getSyncParameter(sync, context.SYNC_STATUS) !== context.SIGNALED) {
      timer = window.setTimeout(ask, EVERY)
      return
    }
    if (!lost) context.deleteSync(sync)
    told()
  }
  timer = window.setTimeout(ask, 0)
  return () => clearTimeout(timer)
}
