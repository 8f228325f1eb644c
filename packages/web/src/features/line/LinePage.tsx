import { secondsAModel, type BatchTimes } from '@seriatim/core/estimating'
import { followedRecipes } from '@seriatim/core/ordering'
import { lineTemplates, type LineTemplate } from '@seriatim/core/presets'
import { potOf, type Project, type Stage } from '@seriatim/core/trade'
import type { StageId } from '@seriatim/core/units'
import { Plus } from 'lucide-react'
import { useState } from 'react'
import { durationText, plural } from '../../shared/format/index.ts'
import { LessonsAgain } from '../../shared/lessons.tsx'
import { useCurrentFigures } from '../../shared/figures.ts'
import { useEstimated } from '../../shared/worker/index.ts'
import { useEdit, type ShownProject } from '../../shared/project/index.ts'
import { Button, EmptyState, Headline } from '../../shared/ui/index.ts'
import { blankStage, lineOfTemplate } from './blank-stage.ts'
import { OrderFromRecipes } from './OrderFromRecipes.tsx'
import { StageList } from './StageList.tsx'

export function LinePage() {
  const { written: project, sources } = useCurrentFigures()
  const edit = useEdit()
  /** The stage whose form is open, and the project as the form shows it. */
  const [opened, setOpened] = useState<{ readonly id: StageId; readonly from: ShownProject } | null>(null)
  const { line } = project
  const isFollowed = followedRecipes(project).length > 0
  const { estimate, times } = useEstimated(sources) ?? {}

  const write = (next: readonly Stage[], said: string) => edit(project, { ...project, line: next }, said)
  const add = () => {
    const stage = blankStage(line.length + 1)
    const next = { ...project, line: [...line, stage] }
    edit(project, next, '')
    setOpened({ id: stage.id, from: next })
  }
  const save = (stage: Stage) => {
    const from = opened?.from ?? project
    const next = from.line.map((each) => (each.id === stage.id ? stage : each))
    edit(from, { ...from, line: next }, `${stage.name} is saved.`)
    setOpened(null)
  }
  const follow = (template: LineTemplate) =>
    write(lineOfTemplate(template), `The stages follow “${template.name}”.`)

  const addButton = (
    <Button weight={line.length > 0 ? 'main' : 'plain'} onClick={add}>
      <Plus aria-hidden="true" size={18} /> {line.length > 0 ? 'Add a stage' : 'Write the first stage'}
    </Button>
  )

  if (line.length === 0) {
    return (
      <>
        <Headline>{isFollowed ? 'The stages are being put in order …' : 'In which order?'}</Headline>
        <OrderFromRecipes project={project} onTake={write} />
        {isFollowed ? null : (
          <EmptyState
            title="There are no stages yet"
            actions={
              <>
                {lineTemplates.map((template) => (
                  <Button key={template.id} weight="main" onClick={() => follow(template)}>
                    Start from “{template.name}”
                  </Button>
                ))}
                {addButton}
              </>
            }
          >
            <p>A stage is one material put on every model that takes it: prime, skin, coat, shade …</p>
            {lineTemplates.map((template) => (
              <p key={template.id} className="mt-2">
                <b>{template.name}:</b> {template.idea} {plural(template.stages.length, 'stage')}.
              </p>
            ))}
          </EmptyState>
        )}
      </>
    )
  }
  return (
    <>
      <Headline actions={addButton} sub={subOf(project, times)}>
        {headlineOf(project, times)}
      </Headline>
      <OrderFromRecipes project={project} onTake={write}>
        <StageList
          line={line}
          units={project.units}
          estimate={estimate}
          openId={opened?.id ?? null}
          onOpen={(id) => setOpened(id === null ? null : { id, from: project })}
          onWrite={write}
          onSave={save}
        />
      </OrderFromRecipes>
      <LessonsAgain stages={line} />
    </>
  )
}

function headlineOf({ line, units }: Project, times: BatchTimes | undefined): string {
  const pots = new Set(line.map(potOf)).size
  return `${plural(line.length, 'stage')}, ${plural(pots, 'pot')}, ${durationText(secondsAModel(line, units, times))} a model`
}

function subOf({ line, units }: Project, times: BatchTimes | undefined): string {
  const ready = line.findIndex((stage) => stage.tableReady)
  if (ready < 0) return 'No stop line yet: open a stage and mark where a model counts as table-ready'
  const upTo = secondsAModel(line.slice(0, ready + 1), units, times)
  return `Table-ready after stage ${String(ready + 1)}, ${line[ready]?.name ?? ''}: ${durationText(upTo)} a model`
}
