// Many strips on one page: choosing on them, and drawing those in view alone.
export { useFrame } from './use-frame.ts'
export { useRowsInView } from './use-rows-in-view.ts'
export { placeProps, useStripSelection, type Place } from './use-strip-selection.ts'
