import {
  idOf,
  numberOf,
  parcelJson,
  readParcel,
  readRefused,
  refusedJson,
  type Parcel,
  type Refused,
} from './parcel.ts'

export const waitingPrefix = 'seriatim.outbox.'
export const refusedPrefix = 'seriatim.refused.'

/** This browser's storage as the outbox uses it: one key a parcel. A full storage is no failure here, but an answer. */
export function createParcelStore(storage: Storage) {
  const keys = (prefix: string) =>
    Array.from({ length: storage.length }, (_, index) => storage.key(index) ?? '').filter((key) =>
      key.startsWith(prefix),
    )
  /** @returns whether it is stored now. */
  function write(key: string, value: object): boolean {
    try {
      storage.setItem(key, JSON.stringify(value))
      return true
    } catch {
      return false
    }
  }
  const textsIn = (prefix: string) => keys(prefix).map((key) => storage.getItem(key) ?? '')
  return {
    waiting: (): readonly Parcel[] =>
      textsIn(waitingPrefix)
        .flatMap((text) => readParcel(text) ?? [])
        .sort((a, b) => numberOf(a) - numberOf(b) || (idOf(a) < idOf(b) ? -1 : 1)),
    refused: (): readonly Refused[] => textsIn(refusedPrefix).flatMap((text) => readRefused(text) ?? []),
    keep: (parcel: Parcel) => write(waitingPrefix + idOf(parcel), parcelJson(parcel)),
    keepRefused: (refused: Refused) => write(refusedPrefix + idOf(refused.parcel), refusedJson(refused)),
    forget: (id: string) => storage.removeItem(waitingPrefix + id),
    forgetRefused: (id: string) => storage.removeItem(refusedPrefix + id),
  }
}
