import { roles, type Member, type Role } from '@seriatim/contract'
import { useState } from 'react'
import { useMemberChange, useMembers, type Told } from '../../shared/api/index.ts'
import { Button, controlLook, Dialog, ErrorState, LoadingState, ScrollRegion } from '../../shared/ui/index.ts'
import { AddMember } from './AddMember.tsx'
import { roleText } from './role-text.ts'

/** Everybody who may sign in, their roles, new passwords, and farewells. */
export function MemberTable({ ownId }: { readonly ownId: string }) {
  const { data: members, error, refetch } = useMembers()
  const change = useMemberChange()
  const [told, setTold] = useState<Told | null>(null)
  const [leaving, setLeaving] = useState<Member | null>(null)
  if (!members)
    return error ? (
      <ErrorState error={error} onRetry={() => void refetch()} isPart />
    ) : (
      <LoadingState what="the members" isPart />
    )
  return (
    <section className="ticket min-w-0 p-4" aria-labelledby="members">
      <h2 id="members" className="text-xl">
        Who belongs here
      </h2>
      <ScrollRegion label="Members">
        <table className="mt-2 w-full min-w-[32rem] text-left">
          <thead className="text-sm text-ink-soft">
            <tr>
              <th scope="col" className="py-1">
                Name
              </th>
              <th scope="col" className="px-2">
                Role
              </th>
              <th scope="col">
                <span className="sr-only">What to do</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {members.map((member) => (
              <tr key={member.id} className="border-t border-paper-edge">
                <th scope="row" className="py-2 pr-2">
                  {member.isAsked ? 'Asked, not here yet' : member.name}
                  {member.id === ownId ? <span className="font-normal text-ink-soft"> (you)</span> : null}
                  <span className="block text-sm font-normal text-ink-soft">{member.email}</span>
                </th>
                <td className="px-2">
                  <select
                    aria-label={`${member.name}: role`}
                    className={controlLook}
                    value={member.role}
                    onChange={(event) =>
                      change.mutate({ kind: 'role', id: member.id, role: event.target.value as Role })
                    }
                  >
                    {roles.map((role) => (
                      <option key={role} value={role}>
                        {roleText[role].name}
                      </option>
                    ))}
                  </select>
                </td>
                <td className="py-2 text-right">
                  {member.id === ownId ? null : (
                    <span className="inline-flex flex-wrap justify-end gap-2">
                      <Button
                        disabled={member.isAsked}
                        onClick={() =>
                          change.mutate(
                            { kind: 'password', id: member.id },
                            { onSuccess: (made) => setTold(made) },
                          )
                        }
                      >
                        New password
                      </Button>
                      <Button onClick={() => setLeaving(member)}>Let go</Button>
                    </span>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </ScrollRegion>
      <ul className="mt-3 text-sm text-ink-soft">
        {roles.map((role) => (
          <li key={role}>
            <b>{roleText[role].name}</b>: {roleText[role].may}
          </li>
        ))}
      </ul>
      <AddMember onMade={setTold} />
      {told?.password === null ? (
        <Dialog open onOpenChange={() => setTold(null)} title="Asked to come">
          <p>
            Somebody signs in with {told.member.email} already. They find this studio under Studio, among
            “Your other studios”, and come with the password they have.
          </p>
          <Button weight="main" className="mt-4" onClick={() => setTold(null)}>
            Done
          </Button>
        </Dialog>
      ) : null}
      {told && told.password !== null ? (
        <Dialog open onOpenChange={() => setTold(null)} title={`The password of ${told.member.name}`}>
          <p>Give it to {told.member.name} now: it is shown this once. It can be changed after signing in.</p>
          <p className="figures my-4 text-2xl select-all">{told.password}</p>
          <Button weight="main" onClick={() => setTold(null)}>
            Done
          </Button>
        </Dialog>
      ) : null}
      {leaving ? (
        <Dialog open onOpenChange={() => setLeaving(null)} title={`Let ${leaving.name} go?`}>
          <p>
            {leaving.isAsked
              ? 'They are not asked any more.'
              : `${leaving.name} cannot come in here any more. What ${leaving.name} painted and recorded stays.`}
          </p>
          <Button
            weight="main"
            className="mt-4"
            onClick={() => {
              change.mutate({ kind: 'remove', id: leaving.id })
              setLeaving(null)
            }}
          >
            Let go
          </Button>
        </Dialog>
      ) : null}
    </section>
  )
}
