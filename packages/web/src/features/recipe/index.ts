export { RecipePage } from './RecipePage.tsx'
