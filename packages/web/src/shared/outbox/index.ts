export { outbox, useOutbox, useWaiting } from './use-outbox.ts'
export { idOf, numberOf, refusedJson, type Parcel, type Refused } from './parcel.ts'
