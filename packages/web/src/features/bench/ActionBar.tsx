import type { Progress } from '@seriatim/core/progress'
import type { Project } from '@seriatim/core/trade'
import type { ReactNode } from 'react'
import { Button, Kbd } from '../../shared/ui/index.ts'
import type { BenchTask } from './bench-task.ts'
import { undoText, type BenchActions } from './use-bench-actions.ts'
import { usePageKeys } from '../../shared/use-page-keys.ts'

interface ActionBarProps {
  readonly actions: BenchActions
  readonly project: Project
  readonly progress: Progress
  readonly task: BenchTask | null
  /** Whether the painter's own clock runs. */
  readonly running: boolean
  readonly onTouchUp: () => void
  readonly onUsed: () => void
}

/** Every action of the desk: one key, one big target. */
export function ActionBar({ actions, project, progress, task, running, onTouchUp, onUsed }: ActionBarProps) {
  const undo = undoText(project, progress)
  const main = running ? actions.next : actions.start
  usePageKeys({
    ' ': main,
    Enter: actions.allDone,
    Escape: actions.stop,
    z: actions.undo,
    y: actions.redo,
    t: onTouchUp,
    u: onUsed,
    n: actions.notNeeded,
  })
  return (
    <div
      role="group"
      aria-label="At the desk"
      className="sticky bottom-0 z-5 grid bg-mat py-2 grid-cols-3 gap-2 sm:grid-cols-[2fr_repeat(6,1fr)] sm:gap-3"
    >
      <DeskButton
        weight="hands"
        keyName="space"
        disabled={!task}
        onClick={main}
        className="col-span-3 sm:col-span-1"
      >
        <span className="text-xl">{running ? 'Next model' : 'Start the clock'}</span>
      </DeskButton>
      <DeskButton keyName="enter" disabled={!task || task.left.length === 0} onClick={actions.allDone}>
        All done
      </DeskButton>
      <DeskButton keyName="esc" disabled={!running} onClick={actions.stop}>
        Stop here
      </DeskButton>
      <DeskButton keyName="N" disabled={!task || task.left.length === 0} onClick={actions.notNeeded}>
        {task?.touchUp ? 'Leave it' : 'Not needed'}
      </DeskButton>
      <DeskButton keyName="T" disabled={!task} onClick={onTouchUp}>
        Touch-up
      </DeskButton>
      <DeskButton
        keyName="Z"
        disabled={undo === null}
        onClick={actions.undo}
        hint={undo === null ? undefined : `Undo: ${undo}`}
      >
        Undo
      </DeskButton>
      <DeskButton keyName="Y" disabled={progress.lastUndo === null} onClick={actions.redo}>
        Redo
      </DeskButton>
    </div>
  )
}

interface DeskButtonProps {
  readonly keyName: string
  readonly disabled: boolean
  readonly onClick: () => void
  readonly children: ReactNode
  readonly weight?: 'hands' | 'plain'
  readonly className?: string
  readonly hint?: string | undefined
}

function DeskButton({
  keyName,
  disabled,
  onClick,
  children,
  weight = 'plain',
  className = '',
  hint,
}: DeskButtonProps) {
  return (
    <Button
      weight={weight}
      disabled={disabled}
      onClick={onClick}
      title={hint}
      className={`min-h-16 flex-col gap-0 leading-tight ${className}`}
    >
      {children}
      <Kbd>{keyName}</Kbd>
    </Button>
  )
}
