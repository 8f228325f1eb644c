/** How large a model is, from the least on. */
export const sizes = ['small', 'foot', 'large foot', 'mounted', 'large', 'very large', 'huge'] as const

export type Size = (typeof sizes)[number]
