import { mayAsk, scopes, type AccessKey, type Role, type Scope } from '@seriatim/contract'
import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import { useKeyChange, useKeys } from '../../shared/api/index.ts'
import { dayText } from '../../shared/format/index.ts'
import { Button, Dialog, IconButton, SelectField, TextField } from '../../shared/ui/index.ts'

const scopeText: Readonly<Record<Scope, string>> = {
  look: 'looks only',
  record: 'looks, and records what is painted',
  change: 'looks, records, and changes',
}

const none: Pick<AccessKey, 'name' | 'scope'> = { name: '', scope: 'look' }

/** One's own keys for scripts and calendars. */
export function KeyList({ role }: { readonly role: Role }) {
  const { data: keys = [] } = useKeys()
  const change = useKeyChange()
  const [told, setTold] = useState<{ readonly made: AccessKey; readonly key: string } | null>(null)
  const { register, handleSubmit, formState, reset } = useForm({ defaultValues: none })
  const offered = scopes.filter((scope) => scope !== 'change' || mayAsk(role, 'manager'))
  return (
    <section className="ticket p-4" aria-labelledby="keys">
      <h2 id="keys" className="text-xl">
        Keys for scripts and calendars
      </h2>
      <p className="mt-1 text-sm text-ink-soft">
        A key opens no more than you may do yourself, and ends with your account. A script sends it along (
        <code>Authorization: Bearer …</code>); a calendar has it in the address of the feed.
      </p>
      <ul className="mt-2">
        {keys.map((key) => (
          <li key={key.id} className="flex items-center gap-2 border-t border-paper-edge py-1">
            <span className="grow">
              <b>{key.name}</b> <span className="text-ink-soft">{scopeText[key.scope]}</span>
              <span className="block text-sm text-ink-soft">
                {key.usedAt === null ? 'not used yet' : `last used ${dayText(key.usedAt)}`}
              </span>
            </span>
            <IconButton
              label={`Take away the key ${key.name}`}
              onClick={() => change.mutate({ kind: 'remove', id: key.id })}
            >
              <Trash2 aria-hidden="true" size={18} />
            </IconButton>
          </li>
        ))}
      </ul>
      <form
        className="mt-3 grid items-start gap-3 border-t border-paper-edge pt-3"
        onSubmit={(event) =>
          void handleSubmit((wanted) =>
            change.mutate(
              { kind: 'add', wanted },
              {
                onSuccess: (made) => {
                  reset()
                  setTold(made)
                },
              },
            ),
          )(event)
        }
      >
        <TextField
          label="What it is for"
          error={formState.errors.name?.message}
          {...register('name', { validate: (name) => name.trim() !== '' || 'Say what it is for.' })}
        />
        <SelectField
          label="What it opens"
          options={offered.map((scope) => ({ value: scope, text: scopeText[scope] }))}
          {...register('scope')}
        />
        <Button type="submit" className="justify-self-start" disabled={change.isPending}>
          Make a key
        </Button>
      </form>
      {told ? (
        <Dialog open onOpenChange={() => setTold(null)} title={`The key for ${told.made.name}`}>
          <p>It is shown this once; nobody can read it again.</p>
          <p className="figures my-4 break-all select-all">{told.key}</p>
          <p className="text-sm text-ink-soft">
            A feed’s address is that of “For your calendar” on the page Sessions, with{' '}
            <code className="break-all">?key={told.key}</code> after it.
          </p>
          <Button weight="main" className="mt-4" onClick={() => setTold(null)}>
            Done
          </Button>
        </Dialog>
      ) : null}
    </section>
  )
}
