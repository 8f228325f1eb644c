import { instant, type Instant } from './instant.ts'

/**
 * When an id was made, where it says so: the first 48 bits of a UUID of version 7 are milliseconds (RFC 9562, 5.7);
 * `null` for any other.
 */
export function madeAt(id: string): Instant | null {
  const [, high = '', low = ''] = /^([0-9a-f]{8})-([0-9a-f]{4})-7[0-9a-f]{3}-[89ab]/i.exec(id) ?? []
  return high === '' ? null : instant(Number.parseInt(high + low, 16))
}
