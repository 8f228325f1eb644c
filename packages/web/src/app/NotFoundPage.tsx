import { Link } from 'react-router'
import { EmptyState } from '../shared/ui/index.ts'

export function NotFoundPage() {
  return (
    <EmptyState
      title="Nothing lies here"
      actions={
        <Link className="font-bold underline" to="/">
          To the projects
        </Link>
      }
    >
      <p>This address names no place in Seriatim.</p>
    </EmptyState>
  )
}
