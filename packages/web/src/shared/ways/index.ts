export { WayTable, type Way } from './WayTable.tsx'
