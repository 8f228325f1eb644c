import { routes, type Member } from '@seriatim/contract'
import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { toast } from 'sonner'
import { call } from './call.ts'

const membersQuery = queryOptions({
  queryKey: ['members'],
  queryFn: ({ signal }) => call(routes.listMembers, {}, signal).then(({ members }) => members),
})

export const useMembers = () => useQuery(membersQuery)

export type NewMember = Pick<Member, 'name' | 'email' | 'role'>

/** Who was added or given a password, and the password, told once; `null` for who had one. */
export interface Told {
  readonly member: Member
  readonly password: string | null
}

type MemberChange =
  | { readonly kind: 'add'; readonly member: NewMember }
  | { readonly kind: 'role'; readonly id: string; readonly role: Member['role'] }
  | { readonly kind: 'password'; readonly id: string }
  | { readonly kind: 'remove'; readonly id: string }

/** Changes who belongs to the studio. @returns whom it is to be told; `null` where nothing is. */
export function useMemberChange() {
  const client = useQueryClient()
  return useMutation({
    scope: { id: 'members' },
    mutationFn: async (change: MemberChange): Promise<Told | null> => {
      switch (change.kind) {
        case 'add':
          return call(routes.addMember, { body: change.member })
        case 'password':
          return call(routes.renewPassword, { params: { memberId: change.id } })
        case 'role':
          await call(routes.setMemberRole, { params: { memberId: change.id }, body: { role: change.role } })
          return null
        case 'remove':
          await call(routes.removeMember, { params: { memberId: change.id } })
          return null
      }
    },
    onSettled: () => client.invalidateQueries({ queryKey: membersQuery.queryKey }),
    onError: (error, change) => {
      // A form says it at its field.
      if (change.kind !== 'add') toast.error(error.message)
    },
  })
}
