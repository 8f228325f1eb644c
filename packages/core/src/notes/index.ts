export { keepIds } from './keep-ids.ts'
export { notesOfRecipe } from './notes-of-recipe.ts'
export { recipeOfNotes } from './recipe-of-notes.ts'
export { modelsOf, readSaidUnits, type SaidUnit } from './said-units.ts'
