import { Link } from 'react-router'
import { EmptyState, Headline } from '../shared/ui/index.ts'

export function NotFoundPage() {
  return (
    <>
      <Headline>Nothing lies here</Headline>
      <EmptyState
        title="This address names no place in Seriatim"
        actions={
          <Link className="font-bold underline" to="/projects">
            To the projects
          </Link>
        }
      >
        <p>It may name a project that was put away, or have been cut short on its way.</p>
      </EmptyState>
    </>
  )
}
