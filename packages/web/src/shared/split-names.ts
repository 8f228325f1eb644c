/** Names in one line of text, each once, without outer spaces. */
export function splitNames(text: string, by: string): readonly string[] {
  const names = text.split(by).map((name) => name.trim())
  return [...new Set(names)].filter((name) => name !== '')
}
