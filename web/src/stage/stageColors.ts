/** The page's colours as the stage needs them. */
export function stageColors(): { ink: string; edge: string; madder: string; vermilion: string; stage: string } {
  const style = getComputedStyle(document.documentElement)
  const read = (name: string): string => style.getPropertyValue(name).trim()
  return {
    ink: read('--ink'),
    edge: read('--edge'),
    madder: read('--madder'),
    vermilion: read('--vermilion'),
    stage: read('--stage'),
  }
}
