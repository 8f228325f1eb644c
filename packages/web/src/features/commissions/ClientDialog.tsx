import type { Client } from '@seriatim/contract'
import type { ClientId } from '@seriatim/core/units'
import { useForm } from 'react-hook-form'
import { v7 } from 'uuid'
import { useClientChange } from '../../shared/api/index.ts'
import { Button, Dialog, TextAreaField, TextField } from '../../shared/ui/index.ts'

interface ClientDialogProps {
  /** `null`: somebody new. */
  readonly client: Client | null
  readonly onClose: () => void
  readonly onKept?: (client: Client) => void
}

export function ClientDialog({ client, onClose, onKept }: ClientDialogProps) {
  const change = useClientChange()
  const { register, handleSubmit, formState } = useForm({
    defaultValues: client ?? { id: v7() as ClientId, name: '', contact: '', note: '' },
  })
  return (
    <Dialog open onOpenChange={onClose} title={client ? client.name : 'A new client'}>
      <form
        className="grid gap-3"
        onSubmit={(event) =>
          void handleSubmit((kept) =>
            change.mutate(
              { kind: 'put', client: kept, before: client },
              {
                onSuccess: () => {
                  onKept?.(kept)
                  onClose()
                },
              },
            ),
          )(event)
        }
      >
        <TextField
          label="Name"
          maxLength={120}
          error={formState.errors.name?.message}
          {...register('name', { validate: (name) => name.trim() !== '' || 'Give the client a name.' })}
        />
        <TextField label="How they are reached" maxLength={500} {...register('contact')} />
        <TextAreaField label="Note" rows={3} maxLength={2000} {...register('note')} />
        <Button type="submit" weight="main" className="justify-self-start" disabled={change.isPending}>
          Keep
        </Button>
      </form>
    </Dialog>
  )
}
