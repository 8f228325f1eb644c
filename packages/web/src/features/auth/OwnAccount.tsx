import type { Member } from '@seriatim/contract'
import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useForm } from 'react-hook-form'
import { toast } from 'sonner'
import { changePassword, meQuery, signOut } from '../../shared/api/index.ts'
import { plural } from '../../shared/format/index.ts'
import { forgetAll } from '../../shared/kept/index.ts'
import { useOutbox } from '../../shared/outbox/index.ts'
import { Button, TextField } from '../../shared/ui/index.ts'
import { signedInKey } from '../../shared/signed-in.ts'
import { storeWord } from '../../shared/stored-word.ts'
import { roleText } from './role-text.ts'

const shortest = 10

/** Another password, and the way out. */
export function OwnAccount({ member }: { readonly member: Member }) {
  return (
    <section className="ticket p-4" aria-labelledby="own-account">
      <h2 id="own-account" className="text-xl">
        {member.name}
      </h2>
      <p className="text-ink-soft">
        {member.email} · {roleText[member.role].name}
      </p>
      <PasswordForm />
      <WayOut />
    </section>
  )
}

function PasswordForm() {
  const { register, handleSubmit, formState, reset } = useForm({ defaultValues: { old: '', fresh: '' } })
  const change = useMutation({
    mutationFn: ({ old, fresh }: { readonly old: string; readonly fresh: string }) =>
      changePassword(old, fresh),
    onSuccess: () => {
      reset()
      toast('The password is changed; other devices sign in with it anew.')
    },
  })
  return (
    <form
      className="mt-4 grid gap-3"
      onSubmit={(event) => void handleSubmit((given) => change.mutate(given))(event)}
    >
      <TextField
        label="Password until now"
        type="password"
        autoComplete="current-password"
        error={formState.errors.old?.message ?? change.error?.message}
        {...register('old', { required: 'Give the password you have.' })}
      />
      <TextField
        label="New password"
        type="password"
        autoComplete="new-password"
        hint={`At least ${String(shortest)} characters.`}
        error={formState.errors.fresh?.message}
        {...register('fresh', {
          minLength: { value: shortest, message: `At least ${String(shortest)} characters.` },
          required: 'Give a new password.',
        })}
      />
      <Button type="submit" className="justify-self-start" disabled={change.isPending}>
        Change the password
      </Button>
    </form>
  )
}

/** Who goes leaves nothing to read on this device, but for what is still to be delivered. */
function WayOut() {
  const client = useQueryClient()
  const { waiting } = useOutbox()
  const leave = useMutation({
    mutationFn: signOut,
    onSuccess: async () => {
      client.setQueryData(meQuery.queryKey, { door: true, member: null, studio: null, otherStudios: [] })
      storeWord(signedInKey, '')
      await forgetAll()
      window.location.assign('/')
    },
    onError: (error) => toast.error(error.message),
  })
  return (
    <div className="mt-6 border-t border-paper-edge pt-4">
      {waiting.length > 0 ? (
        <p className="mb-2 text-sm">
          {plural(waiting.length, 'entry', 'entries')} on this device {waiting.length === 1 ? 'is' : 'are'}{' '}
          not delivered yet; whoever signs in here next delivers {waiting.length === 1 ? 'it' : 'them'}.
        </p>
      ) : null}
      <Button onClick={() => leave.mutate()} disabled={leave.isPending}>
        Sign out
      </Button>
    </div>
  )
}
