import type { RecipeDifference } from '@seriatim/core/recipe'
import type { ReactNode } from 'react'

interface DifferenceListProps {
  readonly differences: readonly RecipeDifference[]
  /** A line before or instead of them. */
  readonly remark: string | null
}

/** In what two recipes differ, a sentence each. */
export function DifferenceList({ differences, remark }: DifferenceListProps): ReactNode {
  return (
    <ul className="mt-1 grid gap-1 text-sm">
      {remark === null ? null : <li className="text-ink-soft">{remark}</li>}
      {differences.map((difference, index) => (
        <li key={`${String(index)} ${difference.text}`}>{difference.text}</li>
      ))}
    </ul>
  )
}
