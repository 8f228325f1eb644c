export { outbox, useOutbox, useWaiting } from './use-outbox.ts'
export { idOf, refusedJson, type Parcel, type Refused } from './parcel.ts'
