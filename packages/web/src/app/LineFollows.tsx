import { followedRecipes, isSameLine } from '@seriatim/core/ordering'
import type { Shelf } from '@seriatim/core/recipe'
import type { Stage } from '@seriatim/core/trade'
import { useEffect, useRef, useState } from 'react'
import { useShelf } from '../shared/api/index.ts'
import { useCurrentProject, useEdit, type ShownProject } from '../shared/project/index.ts'
import { useLineOfOrder, useOrder, useOrderingInput } from '../shared/worker/index.ts'

/**
 * Writes the line that the recipes come to: where there is none, and again whenever recipes or units were changed here,
 * as long as the line is what they came to before. A line that somebody put in another order is left as it is; the line's
 * own page shows what would change.
 */
export function LineFollows() {
  const project = useCurrentProject()
  const shelf = useShelf()
  const [looked, look] = useState(project)
  return shelf.data && followedRecipes(project).length > 0 ? (
    <Following project={project} shelf={shelf.data} looked={looked} onSeen={look} />
  ) : null
}

interface Followed {
  readonly line: readonly Stage[]
  /** The last change of this device that was in it. */
  readonly own: number
}

/**
 * Looks at one state of the project at a time, to the end: a state that is changed while it is worked out is looked at
 * all the same, since it tells whether the line was the recipes' before that change.
 */
function Following({
  project,
  shelf,
  looked,
  onSeen,
}: {
  readonly project: ShownProject
  readonly shelf: Shelf
  readonly looked: ShownProject
  readonly onSeen: (next: ShownProject) => void
}) {
  const edit = useEdit()
  const order = useOrder(useOrderingInput(looked, shelf, 'fewest pots'))
  const next = useLineOfOrder(order.isPlaceholderData ? undefined : order.data, looked, shelf)
  const followed = useRef<Followed | null>(null)
  const seen = useRef<ShownProject | null>(null)
  useEffect(() => {
    if (!next && !order.isError) return
    if (next && seen.current !== looked) {
      const { line, own } = looked
      if (isSameLine(line, next)) followed.current = { line, own }
      else if (!isToFollow(followed.current, looked)) followed.current = null
      else if (looked === project) {
        const written = edit(looked, { ...looked, line: next }, '')
        followed.current = written && { line: next, own: written.number }
      }
      seen.current = looked
    }
    if (looked !== project) onSeen(project)
  }, [next, order.isError, looked, project, edit, onSeen])
  return null
}

/** Whether a line that is not what the recipes come to is only behind them; another device's changes it lets follow. */
function isToFollow(before: Followed | null, { line, own }: ShownProject): boolean {
  return line.length === 0 || (before !== null && own > before.own && isSameLine(before.line, line))
}
