import { toast } from 'sonner'
import { ApiProblem } from './call.ts'

/** Says why something was not kept; where somebody else changed the same, both words, and the way to keep one's own. */
export function sayFailure(error: Error, putMine: (() => void) | null): void {
  if (!(error instanceof ApiProblem) || error.kind !== 'changed-meanwhile' || !putMine) {
    toast.error(error.message)
    return
  }
  const words = (error.problem.errors ?? []).map(({ path, message }) => `${fieldName(path)}: ${message}`)
  toast.error(error.message, {
    description: words.join('; '),
    duration: Infinity,
    action: { label: 'Put mine in its place', onClick: putMine },
  })
}

/** `materials[0].dryingMinSeconds` → `drying min seconds` */
function fieldName(path: string): string {
  return path
    .replace(/^.*\./, '')
    .replaceAll(/([A-Z])/g, ' $1')
    .toLowerCase()
}
