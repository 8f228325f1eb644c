import { promisifyRequest } from 'idb-keyval'
import { idOf, numberOf, parcelJson, readParcel, type Parcel } from './parcel.ts'

/**
 * A second copy of what waits. A browser writes its plain storage to the disk some seconds later; one that is killed
 * meanwhile, with its machine or alone, has lost it. What stands here is on the disk as soon as it is written.
 */
export interface DurableCopy {
  /** Resolves with whether it is there now. */
  readonly keep: (parcel: Parcel) => Promise<boolean>
  readonly forget: (ids: readonly string[]) => Promise<boolean>
  readonly read: () => Promise<Kept>
}

interface Kept {
  readonly parcels: readonly Parcel[]
  /** The highest running number that this device has given out, as far as this copy knows. */
  readonly lastNumber: number
}

export const noDurableCopy: DurableCopy = {
  keep: () => Promise.resolve(false),
  forget: () => Promise.resolve(false),
  read: () => Promise.resolve({ parcels: [], lastNumber: 0 }),
}

const [parcelStore, numberStore, numberKey] = ['parcels', 'numbers', 'last']

/** Where a browser has no such storage, or no room in it, its plain storage has to do. */
export function createDurableCopy(): DurableCopy {
  let opening: Promise<IDBDatabase> | null = null
  let highest = 0

  async function write(work: (parcels: IDBObjectStore, numbers: IDBObjectStore) => void): Promise<boolean> {
    try {
      opening ??= open()
      const writing = (await opening).transaction([parcelStore, numberStore], 'readwrite', {
        durability: 'strict',
      })
      work(writing.objectStore(parcelStore), writing.objectStore(numberStore))
      // At once, and not when this page has time to hear of its requests.
      writing.commit()
      await promisifyRequest(writing)
      return true
    } catch {
      return false
    }
  }

  return {
    keep: (parcel) =>
      write((parcels, numbers) => {
        highest = Math.max(highest, numberOf(parcel))
        parcels.put(JSON.stringify(parcelJson(parcel)), idOf(parcel))
        numbers.put(highest, numberKey)
      }),
    forget: (ids) =>
      write((parcels) => {
        for (const id of ids) parcels.delete(id)
      }),
    read: async () => {
      try {
        opening ??= open()
        const reading = (await opening).transaction([parcelStore, numberStore])
        const texts = promisifyRequest<unknown[]>(reading.objectStore(parcelStore).getAll())
        const last = promisifyRequest<unknown>(reading.objectStore(numberStore).get(numberKey))
        const [found, lastNumber] = await Promise.all([texts, last])
        if (typeof lastNumber === 'number') highest = Math.max(highest, lastNumber)
        const parcels = found.flatMap((text) => (typeof text === 'string' ? (readParcel(text) ?? []) : []))
        return { parcels, lastNumber: highest }
      } catch {
        return noDurableCopy.read()
      }
    },
  }
}

function open(): Promise<IDBDatabase> {
  const request = indexedDB.open('seriatim-outbox', 1)
  request.onupgradeneeded = () => {
    for (const name of [parcelStore, numberStore]) request.result.createObjectStore(name)
  }
  return promisifyRequest(request)
}
