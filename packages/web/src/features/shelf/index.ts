export { ShelfPage } from './ShelfPage.tsx'
