import { createHash } from 'node:crypto'

/** What is kept of a key or a link in its place: SHA-256, enough for what is long and made by chance. */
export const hashOfSecret = (secret: string) => createHash('sha256').update(secret).digest('hex')
