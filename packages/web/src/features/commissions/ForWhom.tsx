import type { Client } from '@seriatim/contract'
import type { Commission } from '@seriatim/core/trade'
import { parseLocalDate, type ClientId, type LocalDate, type ModelId } from '@seriatim/core/units'
import { Plus } from 'lucide-react'
import { useState } from 'react'
import { useCurrentProject, useSettings } from '../../shared/project/index.ts'
import { Button, CommitField, SelectField } from '../../shared/ui/index.ts'
import { ClientDialog } from './ClientDialog.tsx'

const nothingAgreed = { arrivesOn: null, received: '', testModel: null, deliveredOn: null }

const dateFault = (text: string) =>
  text === '' || parseLocalDate(text).ok ? null : 'Give a day that exists.'
const dateOf = (text: string) => (text === '' ? null : (text as LocalDate))

/** Whose models these are, how they came, what both sides look at, and when they left. */
export function ForWhom({ clients }: { readonly clients: readonly Client[] }) {
  const project = useCurrentProject()
  const setSettings = useSettings()
  const [isNew, setNew] = useState(false)
  const { commission, dueOn } = project
  const set = (some: Partial<Commission>, said: string) => {
    if (commission) setSettings({ commission: { ...commission, ...some } }, said)
  }
  const choose = (clientId: ClientId | '') =>
    setSettings(
      { commission: clientId === '' ? null : { ...(commission ?? nothingAgreed), clientId } },
      clientId === '' ? 'It is painted for your own table.' : 'It is painted for this client.',
    )
  const isKnown = commission === null || clients.some((client) => client.id === commission.clientId)
  return (
    <section className="ticket p-4" aria-labelledby="for-whom">
      <h2 id="for-whom" className="text-xl">
        For whom
      </h2>
      <div className="mt-2 grid items-start gap-3 sm:grid-cols-2 lg:grid-cols-4">
        <div>
          <SelectField
            label="Client"
            value={commission?.clientId ?? ''}
            onChange={(event) => choose(event.target.value as ClientId | '')}
            options={[
              { value: '', text: 'nobody: my own table' },
              ...(isKnown ? [] : [{ value: commission.clientId, text: 'somebody nobody here knows' }]),
              ...clients.map((client) => ({ value: client.id, text: client.name })),
            ]}
          />
          <Button weight="quiet" className="px-0!" onClick={() => setNew(true)}>
            <Plus aria-hidden="true" size={18} /> Somebody new
          </Button>
        </div>
        {commission ? (
          <>
            <CommitField
              label="The models are here from"
              type="date"
              value={commission.arrivesOn ?? ''}
              hint={
                commission.arrivesOn !== null && dueOn !== null && commission.arrivesOn >= dueOn
                  ? 'They come on the day they are promised, or later: no plan can hold.'
                  : 'Nothing is planned before; empty where they are here.'
              }
              check={dateFault}
              onCommit={(text) => set({ arrivesOn: dateOf(text) }, 'The day they come is kept.')}
            />
            <SelectField
              label="Test model"
              value={commission.testModel?.modelId ?? ''}
              onChange={(event) =>
                set(
                  {
                    testModel:
                      event.target.value === ''
                        ? null
                        : { modelId: event.target.value as ModelId, agreedOn: null },
                  },
                  'The test model is kept.',
                )
              }
              options={[
                { value: '', text: 'none' },
                ...project.units.flatMap((unit) =>
                  unit.models.map((model) => ({ value: model.id, text: model.name })),
                ),
              ]}
            />
            {commission.testModel ? (
              <CommitField
                label="The client said yes to it on"
                type="date"
                value={commission.testModel.agreedOn ?? ''}
                hint={commission.testModel.agreedOn === null ? 'not yet: the others wait for it' : ''}
                check={dateFault}
                onCommit={(text) =>
                  commission.testModel &&
                  set({ testModel: { ...commission.testModel, agreedOn: dateOf(text) } }, 'The yes is kept.')
                }
              />
            ) : null}
            <CommitField
              label="Delivered on"
              type="date"
              value={commission.deliveredOn ?? ''}
              check={dateFault}
              onCommit={(text) => set({ deliveredOn: dateOf(text) }, 'The delivery is kept.')}
            />
            <CommitField
              className="sm:col-span-2 lg:col-span-3"
              label="Counted in"
              value={commission.received}
              hint="How many, built or not, primed, what is missing or broken."
              check={(text) => (text.length > 2000 ? 'Keep it under 2,000 characters.' : null)}
              onCommit={(text) => set({ received: text.trim() }, 'How they came is kept.')}
            />
          </>
        ) : null}
      </div>
      {isNew ? (
        <ClientDialog client={null} onClose={() => setNew(false)} onKept={(client) => choose(client.id)} />
      ) : null}
    </section>
  )
}
