import { useRouteError } from 'react-router'
import { ErrorState } from '../shared/ui/index.ts'

/** Instead of a blank page when a view breaks. */
export function BrokenPage() {
  const error = useRouteError()
  return (
    <main className="p-6">
      <ErrorState error={error} onRetry={() => window.location.reload()} />
    </main>
  )
}
