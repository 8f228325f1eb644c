/** What the server takes, once it is written in base 64. */
const mostBytes = 12 * 1024 * 1024 - 4096

/** @throws Error the file is larger than the server takes, or cannot be read. */
export function fileAsBase64(file: File): Promise<string> {
  if (file.size > mostBytes)
    return Promise.reject(new Error('a picture is 12 MB at most; make it smaller first.'))
  return new Promise((resolve, reject) => {
    const reader = new FileReader()
    reader.onload = () => {
      const address = typeof reader.result === 'string' ? reader.result : ''
      resolve(address.slice(address.indexOf(',') + 1))
    }
    reader.onerror = () => reject(new Error('it cannot be read.'))
    reader.readAsDataURL(file)
  })
}
