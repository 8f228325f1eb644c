import { mergeFields } from '@seriatim/core/changes'
import { RequestProblem } from './problem.ts'

/**
 * What is to be kept of a thing that was opened as `before`, where it is `there` by now: whoever did not see it states it whole.
 * @throws RequestProblem somebody else changed the same field meanwhile.
 */
export function mergedOrRefused<Thing extends object>(
  before: Thing | undefined,
  there: Thing | undefined,
  mine: Thing,
  path: string,
): Thing {
  if (!before || !there) return mine
  const { merged, clashes } = mergeFields(before, there, mine)
  if (clashes.length > 0)
    throw new RequestProblem(
      'changed-meanwhile',
      'Somebody else changed the same meanwhile.',
      clashes.map(({ field, theirs, mine }) => ({
        path: `${path}${field}`,
        message: `${wordOf(theirs)} there, ${wordOf(mine)} here`,
      })),
    )
  return merged
}

function wordOf(value: unknown): string {
  return typeof value === 'string' ? `“${value}”` : value === null ? 'nothing' : JSON.stringify(value)
}
