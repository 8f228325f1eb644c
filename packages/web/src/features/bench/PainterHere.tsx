import type { Project } from '@seriatim/core/trade'
import type { PainterId } from '@seriatim/core/units'
import { choosePainterHere } from '../../shared/device.ts'
import { SelectField } from '../../shared/ui/index.ts'

interface PainterHereProps {
  readonly project: Project
  readonly painter: PainterId
}

/** Whose clock and records are made at this device; nothing to ask where one paints alone. */
export function PainterHere({ project, painter }: PainterHereProps) {
  const { painters } = project.planning
  if (painters.length < 2) return null
  return (
    <SelectField
      label="Painting at this device"
      options={painters.map(({ id, name }) => ({ value: id, text: name }))}
      value={painter}
      onChange={(event) => choosePainterHere(project.id, event.target.value as PainterId)}
    />
  )
}
