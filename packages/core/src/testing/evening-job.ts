import type { Project } from '../trade/project.ts'
import { minutes } from '../units/seconds.ts'
import { drying, project, stage, unit } from './builders.ts'

/** Five stages, of which four have to dry. */
export const eveningLine = [
  stage('prime', { technique: 'spray', setUpSeconds: minutes(3), ...drying(20) }),
  stage('coat', {
    technique: 'base coat',
    handsOnSecondsPerModel: minutes(4),
    setUpSeconds: minutes(2),
    ...drying(8),
  }),
  stage('wash', {
    technique: 'wash',
    handsOnSecondsPerModel: minutes(2),
    setUpSeconds: minutes(1),
    ...drying(25),
  }),
  stage('edge', { technique: 'edge', handsOnSecondsPerModel: minutes(5), setUpSeconds: minutes(1) }),
  stage('base', {
    technique: 'spread',
    touch: { kind: 'base' },
    handsOnSecondsPerModel: minutes(1),
    ...drying(60),
  }),
]

/** Twenty models painted by them, six a batch. */
export const troops = (some: Partial<Project> = {}) =>
  project([unit('a', 12), unit('b', 8)], eveningLine, { batchSize: 6, batchesInHand: 3, ...some })
