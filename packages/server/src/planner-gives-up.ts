/** The exit code of a planner that would fail again: it is not begun anew. */
export const plannerGivesUp = 3
