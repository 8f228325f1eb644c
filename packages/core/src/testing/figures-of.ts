import { Figures, type FigureSources } from '../estimating/figures.ts'
import type { Project } from '../trade/project.ts'
import { noon } from './builders.ts'
import { testShelf } from './recipes.ts'

/** The figures of a project at noon, with the test shelf, unless something else is said. */
export function figuresOf(project: Project, some: Partial<FigureSources> = {}): Figures {
  return Figures.of({ project, shelf: testShelf, clock: noon, ...some })
}
