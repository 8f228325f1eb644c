export { seenRegions } from './seen-colours.ts'
export { type Merging, whatReads } from './what-reads.ts'
export { type Shown, whatShows } from './what-shows.ts'
