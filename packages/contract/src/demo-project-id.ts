import type { ProjectId } from '@seriatim/core/units'

/** The demo keeps its id when it is loaded: its laps are no painter's, and teach no rate but its own. */
export const demoProjectId = '01930000-0000-7000-8000-000000000047' as ProjectId
