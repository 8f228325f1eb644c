export { LinePage } from './LinePage.tsx'
