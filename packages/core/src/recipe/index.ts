export { type AdaptedRecipe, adaptRecipe } from './adapt-recipe.ts'
export { type BodyPlan, bodyPlans } from './body-plans.ts'
export { compareRecipes, type RecipeDifference, recipeFigures, type RecipeState } from './compare-recipes.ts'
export { type ModeTime, modeTimes, type Takers } from './modes.ts'
export { colourOfMix, predictColours, reachOfTechnique } from './predict-colours.ts'
export { type RecipeDoubt, recipeDoubts, scaledShares } from './recipe-doubts.ts'
export { recipeFromSchool } from './recipe-from-school.ts'
export {
  fitToShelf,
  materialsOf,
  namedMaterials,
  potsFor,
  stepsFor,
  withMaterials,
} from './recipe-materials.ts'
export { type RecipeSchool, recipeSchools } from './schools.ts'
export {
  amountOf,
  dryingOf,
  factsOf,
  joinWords,
  meetOnAModel,
  mixText,
  shareRegion,
  type Shelf,
  type StepFacts,
  stepText,
  takenOf,
  touchEachOther,
  tightRegions,
} from './step-facts.ts'
export { backToVersion, isSameState, keepVersion } from './versions.ts'
