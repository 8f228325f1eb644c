import { followedRecipes, isSameLine, type Shelf, type Stage } from '@seriatim/core'
import { useEffect, useRef } from 'react'
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
  return shelf.data && followedRecipes(project).length > 0 ? (
    <Following project={project} shelf={shelf.data} />
  ) : null
}

interface Followed {
  readonly line: readonly Stage[]
  /** The last change of this device that was in it. */
  readonly own: number
}

function Following({ project, shelf }: { readonly project: ShownProject; readonly shelf: Shelf }) {
  const edit = useEdit()
  const order = useOrder(useOrderingInput(project, shelf, 'fewest pots'))
  const next = useLineOfOrder(order.isPlaceholderData ? undefined : order.data, project, shelf)
  const followed = useRef<Followed | null>(null)
  const seen = useRef<readonly Stage[] | null>(null)
  useEffect(() => {
    if (!next || seen.current === next) return
    seen.current = next
    const { line, own } = project
    if (isSameLine(line, next)) {
      followed.current = { line, own }
      return
    }
    const before = followed.current
    followed.current = null
    // What another device changed, that device lets the line follow.
    const isOurs = before !== null && own > before.own && isSameLine(before.line, line)
    if (line.length === 0 || isOurs) edit(project, { ...project, line: next }, '')
  }, [next, project, edit])
  return null
}
