import { roles, type Role } from '@seriatim/contract'
import { useForm } from 'react-hook-form'
import { useMemberChange, type NewMember, type Told } from '../../shared/api/index.ts'
import { Button, SelectField, TextField } from '../../shared/ui/index.ts'
import { roleText } from './role-text.ts'

interface AddMemberProps {
  readonly onMade: (made: Told) => void
}

const nobody: NewMember = { name: '', email: '', role: 'painter' }

export function AddMember({ onMade }: AddMemberProps) {
  const add = useMemberChange()
  const { register, handleSubmit, formState, reset } = useForm({ defaultValues: nobody })
  return (
    <form
      className="mt-4 grid items-start gap-3 border-t border-paper-edge pt-4 sm:grid-cols-[1fr_1fr_auto_auto]"
      aria-label="Somebody new"
      onSubmit={(event) =>
        void handleSubmit((member) =>
          add.mutate(
            { kind: 'add', member },
            {
              onSuccess: (made) => {
                reset()
                if (made) onMade(made)
              },
            },
          ),
        )(event)
      }
    >
      <TextField
        label="Name"
        error={formState.errors.name?.message}
        {...register('name', { validate: (name) => name.trim() !== '' || 'Give a name.' })}
      />
      <TextField
        label="E-mail address"
        type="email"
        error={formState.errors.email?.message ?? add.error?.message}
        {...register('email', { required: 'Give an address.' })}
      />
      <SelectField
        label="Role"
        options={roles.map((role: Role) => ({ value: role, text: roleText[role].name }))}
        {...register('role')}
      />
      <Button type="submit" className="sm:mt-6" disabled={add.isPending}>
        Add
      </Button>
    </form>
  )
}
