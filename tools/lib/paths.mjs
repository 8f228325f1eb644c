import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = dirname(dirname(dirname(fileURLToPath(import.meta.url))))
export const inRoot = (...parts) => join(root, ...parts)
export const cache = (...parts) => inRoot('.cache', ...parts)
