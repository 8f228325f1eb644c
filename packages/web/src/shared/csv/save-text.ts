/** Gives the text to the browser as a download. */
export function saveText(name: string, text: string, type = 'text/csv'): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([text], { type }))
  link.download = name
  link.click()
  URL.revokeObjectURL(link.href)
}
