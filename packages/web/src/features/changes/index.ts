export { ChangesButton } from './ChangesButton.tsx'
export { HalfPaintedNote } from './HalfPaintedNote.tsx'
