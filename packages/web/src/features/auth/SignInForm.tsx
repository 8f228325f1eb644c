import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useForm } from 'react-hook-form'
import { signIn } from '../../shared/api/index.ts'
import { outbox } from '../../shared/outbox/index.ts'
import { Button, TextField } from '../../shared/ui/index.ts'

/** Address and password; whatever waited goes on as soon as they are right. */
export function SignInForm() {
  const client = useQueryClient()
  const { register, handleSubmit, formState } = useForm({ defaultValues: { email: '', password: '' } })
  const enter = useMutation({
    mutationFn: ({ email, password }: { readonly email: string; readonly password: string }) =>
      signIn(email.trim(), password),
    onSuccess: async () => {
      void outbox.flush()
      await client.invalidateQueries()
    },
  })
  return (
    <form
      className="grid max-w-md gap-3"
      onSubmit={(event) => void handleSubmit((given) => enter.mutate(given))(event)}
    >
      <TextField
        label="E-mail address"
        type="email"
        autoComplete="username"
        error={formState.errors.email?.message}
        {...register('email', { required: 'Give the address you sign in with.' })}
      />
      <TextField
        label="Password"
        type="password"
        autoComplete="current-password"
        error={formState.errors.password?.message ?? enter.error?.message}
        {...register('password', { required: 'Give your password.' })}
      />
      <Button type="submit" weight="main" className="justify-self-start" disabled={enter.isPending}>
        Sign in
      </Button>
    </form>
  )
}
