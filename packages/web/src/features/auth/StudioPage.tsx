import { clsx } from 'clsx'
import { useMe } from '../../shared/api/index.ts'
import { EmptyState, LoadingState } from '../../shared/ui/index.ts'
import { KeyList } from './KeyList.tsx'
import { MemberTable } from './MemberTable.tsx'
import { OtherStudios } from './OtherStudios.tsx'
import { OwnAccount } from './OwnAccount.tsx'

/** Who belongs to the studio, and one's own account. */
export function StudioPage() {
  const me = useMe()
  if (!me) return <LoadingState what="the studio" />
  if (!me.door) {
    return (
      <EmptyState title="This desk has no door">
        <p>
          Whoever sits at this machine may do everything. To paint on other machines too, with a sign-in for
          everybody, stop Seriatim and start it with <code>npm run serve</code>.
        </p>
      </EmptyState>
    )
  }
  if (!me.member) return null
  const isOwner = me.member.role === 'owner'
  return (
    <>
      <h1 className="mt-6 text-3xl">{me.studio}</h1>
      <div
        className={clsx(
          'mt-4 grid grid-cols-1 items-start gap-4',
          isOwner ? 'lg:grid-cols-[2fr_1fr]' : 'lg:grid-cols-2',
        )}
      >
        {isOwner ? <MemberTable ownId={me.member.id} /> : null}
        <div className={isOwner ? 'grid gap-4' : 'contents'}>
          {me.otherStudios.length > 0 ? <OtherStudios studios={me.otherStudios} /> : null}
          <OwnAccount member={me.member} />
          <KeyList role={me.member.role} />
        </div>
      </div>
    </>
  )
}
