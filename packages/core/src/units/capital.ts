/** The text with its first letter large, as a sentence begins. */
export function withCapital(text: string): string {
  return text.slice(0, 1).toUpperCase() + text.slice(1)
}
