import type { Project } from '@seriatim/core/trade'
import type { DeviceId, PainterId, ProjectId } from '@seriatim/core/units'
import { v4 } from 'uuid'
import { storeWord, useStoredWord } from './stored-word.ts'

const idKey = 'seriatim.device'
const numberKey = 'seriatim.number'

/** This browser, under an id of its own; kept only while the page is open where nothing can be stored. */
export const deviceId = readOrMake()

let counted = 0

/** The next of this device's running numbers; tabs of one browser share them. */
export function nextNumber(): number {
  counted = Math.max(counted, Number(localStorage.getItem(numberKey) ?? 0) || 0) + 1
  storeWord(numberKey, String(counted))
  return counted
}

/** Numbers up to this one were given out before, though this browser's storage may not know it any more. */
export function countOn(last: number): void {
  counted = Math.max(counted, last)
}

function readOrMake(): DeviceId {
  const known = localStorage.getItem(idKey)
  if (known !== null && /^[0-9a-f-]{36}$/.test(known)) return known as DeviceId
  const made = v4()
  storeWord(idKey, made)
  return made as DeviceId
}

const painterKey = (id: ProjectId) => `seriatim.painter.${id}`

/** Who paints at this device: as chosen here, else the project's first painter. */
export function usePainterHere(project: Pick<Project, 'id' | 'planning'>): PainterId {
  const chosen = useStoredWord(painterKey(project.id))
  const { painters } = project.planning
  return (painters.find((painter) => painter.id === chosen) ?? painters[0])?.id ?? ('you' as PainterId)
}

export function choosePainterHere(project: ProjectId, painter: PainterId): void {
  storeWord(painterKey(project), painter)
}
