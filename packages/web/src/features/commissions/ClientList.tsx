import type { Client } from '@seriatim/contract'
import { Pencil, Plus, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { useClientChange, useNameStudio, useStudioName } from '../../shared/api/index.ts'
import { Button, CommitField, IconButton } from '../../shared/ui/index.ts'
import { ClientDialog } from './ClientDialog.tsx'

/** Who has models painted here, and how they are reached. */
export function ClientList({ clients }: { readonly clients: readonly Client[] }) {
  const change = useClientChange()
  const studio = useStudioName()
  const name = useNameStudio()
  const [edited, setEdited] = useState<Client | 'new' | null>(null)
  return (
    <section className="ticket p-4" aria-labelledby="clients">
      <div className="flex flex-wrap items-center gap-3">
        <h2 id="clients" className="grow text-xl">
          Clients
        </h2>
        <Button onClick={() => setEdited('new')}>
          <Plus aria-hidden="true" size={18} /> Somebody new
        </Button>
      </div>
      {clients.length === 0 ? (
        <p className="mt-2 text-ink-soft">Nobody yet. What is noted of a client stays in the studio.</p>
      ) : (
        <ul className="mt-2">
          {clients.map((client) => (
            <li key={client.id} className="flex items-center gap-1 border-t border-paper-edge py-1">
              <span className="min-w-0 grow">
                <b>{client.name}</b>
                <span className="block text-sm text-ink-soft">
                  {[client.contact, client.note].filter(Boolean).join(' · ') || 'no address noted'}
                </span>
              </span>
              <IconButton label={`Change ${client.name}`} onClick={() => setEdited(client)}>
                <Pencil aria-hidden="true" size={18} />
              </IconButton>
              <IconButton
                label={`Put ${client.name} away`}
                onClick={() => change.mutate({ kind: 'remove', id: client.id })}
              >
                <Trash2 aria-hidden="true" size={18} />
              </IconButton>
            </li>
          ))}
        </ul>
      )}
      {studio.data === undefined ? null : (
        <CommitField
          className="mt-4 max-w-md"
          label="What they read above their page and quotes"
          value={studio.data}
          check={(text) => (text.trim() === '' ? 'Give the studio a name.' : null)}
          onCommit={(text) => name.mutate(text)}
        />
      )}
      {edited ? (
        <ClientDialog client={edited === 'new' ? null : edited} onClose={() => setEdited(null)} />
      ) : null}
    </section>
  )
}
