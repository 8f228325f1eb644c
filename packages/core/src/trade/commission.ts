import type { ClientId, LocalDate, ModelId } from '../units/index.ts'

/** A project that is painted for somebody else. */
export interface Commission {
  readonly clientId: ClientId
  /** From this day on the models are here; `null`: they are. */
  readonly arrivesOn: LocalDate | null
  /** As they were counted in: how many, built, primed, what is missing or broken. */
  readonly received: string
  /** The model that both sides look at, and the day the client said yes to it; `null` where none is agreed. */
  readonly testModel: { readonly modelId: ModelId; readonly agreedOn: LocalDate | null } | null
  /** The day it left the studio. */
  readonly deliveredOn: LocalDate | null
}
