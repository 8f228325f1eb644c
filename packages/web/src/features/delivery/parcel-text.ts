import type { StoredProject } from '@seriatim/contract'
import { plural } from '../../shared/format/index.ts'
import { commandText } from '../../shared/project/index.ts'
import type { Parcel } from '../../shared/outbox/index.ts'

/** What a parcel is about, in a few words. */
export function parcelText(parcel: Parcel, project: StoredProject | undefined): string {
  const where = project ? `${project.name}: ` : ''
  if (parcel.kind === 'change') {
    const [first] = parcel.change.commands
    const others = parcel.change.commands.length - 1
    if (parcel.said !== '') return where + parcel.said
    if (!first || !project) return `${where}a change`
    return where + commandText(first, project) + (others > 0 ? `, and ${plural(others, 'more')}` : '')
  }
  const { event } = parcel
  const stage = 'stageId' in event ? project?.line.find((each) => each.id === event.stageId)?.name : undefined
  const at = stage === undefined ? '' : ` at ${stage}`
  switch (event.kind) {
    case 'punched':
      return `${where}${plural(event.modelIds.length, 'model')} painted${at}`
    case 'cleared':
      return `${where}${plural(event.modelIds.length, 'model')} to do again${at}`
    case 'skipped':
      return `${where}${plural(event.modelIds.length, 'model')} going without${at}`
    case 'touch-up':
      return `${where}a touch-up${at}`
    case 'clock-started':
      return `${where}the clock started${at}`
    case 'clock-stopped':
      return `${where}the clock stopped`
    case 'milestone':
      return `${where}a milestone of ${plural(event.modelIds.length, 'model')}`
    case 'judged':
      return `${where}a verdict${at}`
    case 'used':
      return `${where}another paint used${at}`
    case 'went':
      return `${where}what the paint did${at}`
    case 'felt':
      return `${where}a coat felt ${event.feels}${at}`
    case 'inspected':
      return `${where}${plural(event.modelIds.length, 'model')} inspected`
    case 'lap-corrected':
      return `${where}a lap set right`
    case 'remembered':
      return `${where}what a unit of before took`
    case 'undone':
      return `${where}something taken back`
  }
}
