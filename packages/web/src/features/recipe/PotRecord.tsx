import { coatsTaken, lessonsOf } from '@seriatim/core/progress'
import { useMemo } from 'react'
import { useHand } from '../../shared/api/index.ts'
import { plural } from '../../shared/format/index.ts'
import { useProgress } from '../../shared/progress/index.ts'
import { useCurrentProject } from '../../shared/project/index.ts'
import { Button } from '../../shared/ui/index.ts'

interface PotRecordProps {
  /** As the line names the pot, in small letters. */
  readonly pot: string
  readonly coats: number
  readonly onCoats: (coats: number) => void
}

/** What this pot did on models, here and in other projects; where it mostly needed another coat, one more is offered. */
export function PotRecord({ pot, coats, onCoats }: PotRecordProps) {
  const project = useCurrentProject()
  const { progress } = useProgress(project.id)
  const { data: hand } = useHand(project.id)
  const own = useMemo(() => (progress ? lessonsOf(project, progress) : []), [project, progress])
  const told = [...own, ...(hand?.lessons ?? [])].filter((each) => each.kind === 'went' && each.pot === pot)
  if (told.length === 0) return null
  const taken = coatsTaken(told, pot)
  const texts = new Map<string, number>()
  for (const { text, times } of told) texts.set(text, (texts.get(text) ?? 0) + times)
  return (
    <p className="flex flex-wrap items-center gap-x-3 text-sm">
      <span>
        <b>This pot so far:</b>{' '}
        {[...texts]
          .map(([text, times]) => (times > 1 ? `${text} (${plural(times, 'time')})` : text))
          .join('; ')}
        .
      </span>
      {taken && taken.another > taken.atOnce && coats === 1 ? (
        <Button weight="quiet" className="px-1!" onClick={() => onCoats(2)}>
          Plan two coats
        </Button>
      ) : null}
    </p>
  )
}
