import { plainPlanning, plainStep, type Project, type Step } from '@seriatim/core/trade'
import type { QueryKey } from '@tanstack/react-query'

/** What an older release kept on this device, with what projects have had since: wished for is nothing of that. */
export function asOfNow(queryKey: QueryKey, known: unknown): unknown {
  if (queryKey[0] !== 'project') return known
  const project = known as Project
  const recipes = project.recipes.map((recipe) => ({
    ...recipe,
    steps: recipe.steps.map(wholeStep),
    versions: recipe.versions.map((version) => ({ ...version, steps: version.steps.map(wholeStep) })),
  }))
  return { ...project, recipes, planning: { ...plainPlanning, ...project.planning } }
}

const wholeStep = (step: Step): Step => ({ ...plainStep, ...step })
