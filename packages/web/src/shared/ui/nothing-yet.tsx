import { Link } from 'react-router'
import { Headline } from './headline.tsx'
import { EmptyState } from './states.tsx'

interface NothingYetProps {
  readonly headline: string
  /** What is missing, and where it is made. */
  readonly missing: 'models' | 'stages'
  readonly children: string
}

/** A place that needs models and stages first, and leads to where they are made: stages follow from a recipe. */
export function NothingYet({ headline, missing, children }: NothingYetProps) {
  const place = missing === 'models' ? 'roster' : 'recipe'
  return (
    <>
      <Headline>{headline}</Headline>
      <EmptyState
        title={`No ${missing} yet`}
        actions={
          <Link to={`../${place}`} className="text-lg font-bold underline underline-offset-4">
            To the {place}
          </Link>
        }
      >
        <p>{children}</p>
      </EmptyState>
    </>
  )
}
